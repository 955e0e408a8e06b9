import { expectNoSeriousViolation } from './axe'
import { expect, test } from './ownServer'
import { chooseWord, expectSaved, openSeries } from './support'

test('shelf', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Wood stain' })).toBeVisible()
  await expectNoSeriousViolation(page)
})

test('shelf with a selection, and the trash', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('Select Wood stain').check()
  await expectNoSeriousViolation(page)
  await page.goto('/trash')
  await expect(page.getByRole('heading', { name: 'Trash' })).toBeVisible()
  await expectNoSeriousViolation(page)
})

test('intake, empty, read and refused', async ({ page }) => {
  await page.goto('/intake')
  await expectNoSeriousViolation(page)
  await page.locator('input[type=file]').setInputFiles('demo/files/exterior-paint-by-region.csv')
  await expect(page.getByRole('button', { name: 'Keep 4 of 4 series' })).toBeVisible()
  await expectNoSeriousViolation(page)
  await page.getByRole('button', { name: 'Another file' }).click()
  await page.locator('input[type=file]').setInputFiles('demo/files/brushes-and-rollers.csv')
  await expect(page.getByRole('group')).toContainText('May 2020')
  await expectNoSeriousViolation(page)
})

test('bench: looked at, smoothed, deseasonalized, compared, and by robust loess', async ({
  page,
}) => {
  test.setTimeout(360_000)
  await openSeries(page, 'Interior paint')
  for (const key of ['1', '2', '4']) {
    await page.keyboard.press(key)
    await expectNoSeriousViolation(page)
  }
  await page.keyboard.press('2')
  await page.getByRole('button', { name: 'small pictures of all orders' }).click()
  await expectNoSeriousViolation(page)
  await page.keyboard.press('c')
  await expect(page.getByRole('columnheader', { name: /^Robust loess/ })).toBeVisible()
  await expectNoSeriousViolation(page)
  await page.keyboard.press('c')
  await page.keyboard.press('t')
  await expect(page.getByText(/^Nearest[:,] /)).toBeVisible({ timeout: 60_000 })
  await expectNoSeriousViolation(page)
  await page.getByRole('button', { name: /^Who takes part/ }).click()
  await expectNoSeriousViolation(page)
  await page.keyboard.press('Escape')
  await page.keyboard.press('t')
  await page.keyboard.press('3')
  await chooseWord(page, 'by', 'robust loess')
  await page.locator('[data-row=weight] .cell').first().click()
  await page.locator('[data-word=loess]').click()
  await page.getByText('All parameters').click()
  await expectNoSeriousViolation(page)
  await page.getByRole('button', { name: 'Done' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expectSaved(page)
})

test('nothing on the pages runs against their security policy, or fails in silence', async ({
  page,
}) => {
  const complaints: string[] = []
  page.on('console', (message) => {
    if (message.type() === 'error' || message.type() === 'warning') complaints.push(message.text())
  })
  page.on('pageerror', (error) => complaints.push(error.message))
  await openSeries(page, 'Exterior paint')
  for (const key of ['1', '2', '4', '5', '6', '7', 'f', 'f', '0', '+', '?']) {
    await page.keyboard.press(key)
  }
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles('demo/files/contract-work.csv')
  await expect(page.getByRole('button', { name: /^Keep/ })).toBeVisible()
  expect(complaints).toEqual([])
})

test("the reader's own colours and stillness are kept to, and nothing is lost by them", async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' })
  await openSeries(page, 'Exterior paint')
  const looks = (selector: string, property: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((one, name) => getComputedStyle(one).getPropertyValue(name), property)
  await page.keyboard.press('3')
  await page.locator('[data-row=seasonalIrregular] .cell').nth(3).click()

  await test.step('what colour alone says is said by a frame or a system colour', async () => {
    expect(await looks('.cell.selected', 'outline-style')).toBe('solid')
    expect(await looks('[aria-current] .dot', 'background-color')).not.toBe(
      await looks('.stage:not([aria-current]) .dot', 'background-color'),
    )
  })
  await test.step('pictures and handles keep their own colours', async () => {
    for (const picture of ['.strip canvas', '.overview .handle', '.overview svg']) {
      expect(await looks(picture, 'forced-color-adjust'), picture).toBe('none')
    }
  })
  await test.step('nothing moves by itself', async () => {
    await page.locator('[data-word=model]').click()
    await page.getByRole('option', { name: /^additive/ }).click()
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toBeVisible()
    expect(await page.evaluate(() => document.getAnimations().length)).toBe(0)
    expect(await looks('.v-btn', 'transition-duration')).toMatch(/^0s/)
  })
})
