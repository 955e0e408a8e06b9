import { expect, test } from './ownServer'
import { bringIn, chooseWord, expectSaved, monthlyCsv, rowFigures } from './support'

test('a slipped digit is pointed out, replaced with a reason, kept, and taken back', async ({
  page,
}) => {
  const lines = monthlyCsv('Brushes', 60).split('\n')
  const slipped = lines.with(31, lines[31]!.replace('.', '')).with(40, '1983-04,')
  await bringIn(page, 'brushes.csv', slipped.join('\n'))
  await expect(page).toHaveURL(/\/study\//)
  await expect(page.getByRole('grid')).toBeVisible()
  await page.keyboard.press('1')
  const working = page.getByRole('complementary', { name: 'Working' })
  const finding = working.locator('li', { hasText: 'about 100 times' })
  await expect(finding).toContainText('Jul 1982')
  await finding.getByRole('button', { name: /show/i }).click()
  // Look shows the whole series; closer by, its figures are numbers.
  for (let presses = 0; presses < 5; presses++) await page.keyboard.press('+')

  await page.locator('[data-row=value] .cell[data-t="31"]').click()
  await working.getByLabel('use instead').fill('1090')
  await expect(working.getByRole('button', { name: 'replace', exact: true })).toBeDisabled()
  await working.getByLabel(/^Reason to replace/).fill('decimal point lost')
  await working.getByRole('button', { name: 'replace', exact: true }).click()
  await expect(finding).toHaveCount(0)
  await expect(working.getByText('It came in as 109,000')).toBeVisible()
  expect((await rowFigures(page, 'original'))[31]).not.toBe((await rowFigures(page, 'value'))[31])
  await expect(page.locator('[data-row=value] .cell[data-t="31"]')).toHaveClass(/changed/)

  await chooseWord(page, 'missing', 'interpolated with their season')
  for (let presses = 31; presses < 40; presses++) await page.keyboard.press('ArrowRight')
  await expect(page.locator('[data-row=value] .cell[data-t="40"]')).toHaveClass(/changed/)
  await expectSaved(page)
  await page.reload()
  await expect(page.getByRole('grid')).toBeVisible()
  await page.keyboard.press('1')
  const replaced = working.locator('li', { hasText: 'Jul 1982 is replaced by 1,090' })
  await replaced.getByRole('button', { name: /show/i }).click()
  for (let presses = 0; presses < 5; presses++) await page.keyboard.press('+')
  await page.locator('[data-row=value] .cell[data-t="31"]').click()
  await working.getByRole('button', { name: 'take back' }).click()
  await expect(working.locator('li', { hasText: 'about 100 times' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(working.getByText('decimal point lost').first()).toBeVisible()
})

test('name, unit, group and notes are changed on the Bench, and undone', async ({ page }) => {
  await bringIn(page, 'plain.csv', monthlyCsv('Plain', 48))
  await page.getByRole('button', { name: 'Plain' }).click()
  await page.getByLabel('Name').fill('Primer, north')
  await page.getByLabel('Unit').fill('tins')
  await page.getByLabel('Notes').fill('From the new till')
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'Primer, north' })).toBeVisible()
  await expectSaved(page)
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Primer, north' })).toBeVisible()
  await page.goBack()
  await expect(page.getByText('tins · monthly')).toBeVisible()
})

test('the Bench is there again as it was left, and says when something did not load', async ({
  page,
}) => {
  await bringIn(page, 'left.csv', monthlyCsv('Left', 60))
  const path = page.getByRole('navigation', { name: 'Path' })
  await path.getByRole('button', { name: /^Smooth/ }).click()
  await page.getByLabel('Terms', { exact: true }).fill('5')
  await page.getByRole('button', { name: 'add', exact: true }).click()
  await page.getByRole('button', { name: 'Pin', exact: true }).click()
  await chooseWord(page, 'model', 'additive')
  await page.locator('[data-row=value] .cell[data-t="50"]').click()
  await expectSaved(page)
  await page.waitForResponse(
    (answer) => answer.url().endsWith('/desk') && answer.request().method() === 'PUT',
  )
  await page.reload()
  await expect(path.locator('[aria-current=step]')).toContainText('Smooth')
  await expect(page.getByRole('rowheader', { name: '5 terms moving average' })).toBeVisible()
  await expect(page.locator('[data-row=value] .cell[data-t="50"]')).toHaveClass(/selected/)
  await expect(page.getByRole('rowheader', { name: 'pinned' }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.locator('[data-word=model]')).toHaveText('multiplicative')

  // What takes long is calculated in a worker; one that does not load is said, and what was shown is marked.
  await page.route(/_nuxt\/.*\.js$/, (route) => route.abort())
  await chooseWord(page, 'forecast', 'by combination')
  const failure = page.getByRole('alert').filter({ hasText: 'Not calculated.' })
  await expect(failure).toContainText('did not load')
  await expect(failure).toContainText('of the method before')
  await expect(page.locator('.frame.old')).toBeVisible()
  await page.unroute(/_nuxt\/.*\.js$/)
  await failure.getByRole('button', { name: 'Calculate again' }).click()
  await expect(failure).toHaveCount(0)
  await expect(page.locator('.frame.old')).toHaveCount(0)
})
