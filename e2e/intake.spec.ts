import { expect, test } from '@playwright/test'
import { bringIn, expectSaved, monthlyCsv, openSeries } from './support'

test('what is not understood is named with line and column, and nothing is kept', async ({
  page,
}) => {
  await page.goto('/')
  await expect(page.locator('tbody tr').first()).toBeVisible()
  const count = await page.locator('tbody tr').count()
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles({
    name: 'bad.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('month,Sales\n2021-01,5\nTotal,9\n2021-02,abc'),
  })
  const problems = page.getByRole('alert').getByRole('listitem')
  await expect(problems).toHaveCount(2)
  await expect(problems.nth(0)).toContainText('Line 3, column 1')
  await expect(problems.nth(1)).toContainText('Line 4, column 2')
  await expect(page.locator('td.wrong')).toHaveText(['Total', 'abc'])
  await expect(page.getByRole('button', { name: /^Keep/ })).toHaveCount(0)
  await page.goto('/')
  await expect(page.locator('tbody tr')).toHaveCount(count)
})

test('of several series those that are wanted are kept, under their new names', async ({
  page,
}) => {
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles('demo/files/exterior-paint-by-region.csv')
  await page.getByLabel('Keep North').uncheck()
  await page.getByLabel('Keep South').uncheck()
  await page.getByLabel('Keep Coast').uncheck()
  await page.getByLabel('name').nth(3).fill('Web shop')
  await page
    .getByRole('button', { name: 'Keep 1 of 4' })
    .or(page.getByRole('button', { name: 'Keep this series' }))
    .click()
  await expect(page.getByRole('heading', { name: 'Web shop' })).toBeVisible()
})

test('rows are read from the clipboard anywhere on the page', async ({ page }) => {
  await page.goto('/intake')
  await page.locator('body').evaluate((body) => {
    const data = new DataTransfer()
    data.setData('text/plain', 'month\tJobs\nJan 2024\t3\nFeb 2024\t5')
    body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }))
  })
  await expect(page.getByText('Jan 2024 – Feb 2024, 2 months, none missing')).toBeVisible()
})

test('a spreadsheet file is turned away with what to do', async ({ page }) => {
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles({
    name: 'sales.xlsx',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from('PK'),
  })
  await expect(page.getByRole('alert')).toContainText('Save the sheet as CSV')
})

test('names are text, however long and whatever they hold', async ({ page }) => {
  const name = `<img src=x onerror="window.hacked = 1"> ${'long '.repeat(300)}`
  const quoted = `"${name.replaceAll('"', '""')}"`
  await bringIn(page, 'names.csv', monthlyCsv('Sales', 30).replace('Sales (pieces)', quoted))
  await expect(page.getByRole('heading', { level: 1 })).toContainText('<img src=x')
  expect(await page.evaluate(() => 'hacked' in window)).toBe(false)
  const overflow = () =>
    page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
  expect(await overflow()).toBe(0)
  await page.goto('/')
  await expect(page.getByRole('link', { name: /<img/ })).toBeVisible()
  expect(await overflow()).toBe(0)
})

test('the shelf searches, sorts, renames, deletes and brings back', async ({ page }) => {
  await bringIn(page, 'zebra.csv', monthlyCsv('Zebra stripes', 30))
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Zebra stripes' })).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('zebra')
  await expect(page.locator('tbody tr')).toHaveCount(1)

  await page.getByRole('button', { name: 'Rename Zebra stripes' }).click()
  await page.getByLabel('Name of the series').fill('Okapi stripes')
  await page.keyboard.press('Enter')
  await page.getByRole('searchbox').fill('okapi')
  await expect(page.getByRole('link', { name: 'Okapi stripes' })).toBeVisible()

  await page.getByRole('button', { name: 'Delete Okapi stripes' }).click()
  await expect(page.getByText('No series is called “okapi”')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: 'Okapi stripes' })).toBeVisible()

  await page.getByRole('searchbox').fill('')
  await page.getByRole('button', { name: 'Last value' }).click()
  const values = await page
    .locator('tbody tr td:nth-child(4)')
    .evaluateAll((cells) =>
      cells.map((cell) => parseFloat(cell.firstChild!.textContent!.replace(/,/g, ''))),
    )
  expect(values).toEqual([...values].sort((a, b) => b - a))
})

test('a study changed in two windows offers both versions', async ({ page, context }) => {
  await openSeries(page, 'Primer')
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.locator('[data-word=horizon]')).toBeVisible()

  await page.locator('[data-word=horizon]').click()
  await page.getByRole('button', { name: '2 years', exact: true }).click()
  await expectSaved(page)

  await other.locator('[data-word=horizon]').click()
  await other.getByRole('button', { name: '3 years', exact: true }).click()
  const dialog = other.getByRole('dialog')
  await expect(dialog).toContainText('changed elsewhere')
  await expect(dialog).toContainText('project 36 months')
  await expect(dialog).toContainText('project 24 months')
  await dialog.getByRole('button', { name: 'Take the saved one' }).click()
  await expect(other.locator('[data-word=horizon]')).toHaveText('24 months')

  await page.locator('[data-word=horizon]').click()
  await page.getByRole('button', { name: '1 year', exact: true }).click()
  await expectSaved(page)
  await other.getByRole('button', { name: 'Undo' }).click()
  await other.getByRole('dialog').getByRole('button', { name: 'Keep mine' }).click()
  await expectSaved(other)
  await page.reload()
  await expect(page.locator('[data-word=horizon]')).toHaveText('36 months')
})

test('a study that is not there says so', async ({ page }) => {
  await page.goto('/study/00000000-0000-4000-8000-000000000000')
  await expect(page.getByRole('alert')).toContainText('This study is not there')
  await page.getByRole('link', { name: 'To the shelf' }).click()
  await expect(page.getByRole('heading', { name: 'Series' })).toBeVisible()
})
