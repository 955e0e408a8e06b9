import { expect, test } from './ownServer'
import { bringIn, chooseWord, expectSaved, openSeries, rowFigures } from './support'

const percentOf = (text: string) => Number(/off by ([\d.]+)%/.exec(text)![1])

test('masonry paint: the verdict on its straight line, the contest, and the proposed method', async ({
  page,
}) => {
  await openSeries(page, 'Masonry paint')
  const path = page.getByRole('navigation', { name: 'Path' })
  const working = page.getByRole('complementary', { name: 'Working' })
  const verdict = working.getByRole('region', { name: 'Verdict' })

  await test.step('the check runs by itself, and says its verdict at path, Project and Check', async () => {
    await expect(path).toContainText(/Check\s*off by [\d.]+%; repeating last year [\d.]+%/)
    await page.keyboard.press('6')
    await expect(verdict).toContainText('repeating last year would have been off by')
    await page.keyboard.press('7')
    await expect(verdict).toContainText(
      /Over 36 tries such forecasts were off by [\d.]+%; repeating last year would have been off by [\d.]+%\./,
    )
    await expect(working).toContainText('what needs no method does better')
    await expect(working).toContainText('too narrow')
  })
  const before = percentOf((await verdict.textContent())!)

  await test.step('any origin is stepped through: what one would have said then, and what came', async () => {
    const bar = page.getByRole('button', { name: 'Origin before' })
    await expect(page.getByText('Dec 2024', { exact: true }).first()).toBeVisible()
    await bar.click()
    await expect(working.getByRole('heading', { name: /^From Nov 2024/ })).toBeVisible()
    await page.keyboard.press(']')
    await expect(working.getByRole('heading', { name: /^From Dec 2024/ })).toBeVisible()
    await page.getByRole('button', { name: 'latest periods' }).click()
    // Narrow columns are shaded; wide ones hold figures.
    await page.keyboard.press('+')
    await page.keyboard.press('+')
    await expect(page.locator('[data-row="beside:tried"] [data-t="114"]')).toHaveText(/\d/)
    const then = await rowFigures(page, 'beside:tried')
    const came = await rowFigures(page, 'value')
    const off = await rowFigures(page, 'beside:tried-error')
    const number = (text: string) => Number(text.replace('−', '-'))
    expect(
      Math.abs(number(came['114']!) - number(then['114']!) - number(off['114']!)),
    ).toBeLessThan(0.11)
    await page.getByLabel('months hidden').fill('24')
    await page.getByLabel('months hidden').press('Enter')
    await page.getByRole('button', { name: 'hide the last' }).click()
    await expect(working.getByText('The last 24 hidden.')).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
  })

  await test.step('the contest ranks the methods, and takes none by itself', async () => {
    await verdict.getByRole('button', { name: 'Contest of methods' }).click()
    const contest = page.getByRole('region', { name: 'Contest of methods' })
    await expect(contest.getByText(/^Nearest[:,] /)).toBeVisible({ timeout: 60_000 })
    await expect(contest.locator('tbody tr')).toHaveCount(24)
    await expect(contest.locator('tbody tr').first()).toContainText('nearest')
    const shorter = contest
      .locator('tbody tr')
      .filter({ hasText: /^\d+Ratio .*; a straight line through the last 36 months/ })
    await expect(shorter).toContainText('not told apart from the nearest')
    await expect(contest.getByText('on the Bench')).toHaveCount(1)
    await expect(page.locator('[data-word=trendFit]')).toHaveText('all 120 months')
    await shorter.getByRole('button', { name: /^Take this method/ }).click()
  })

  await test.step('what changed is said, and path, verdict and limits change', async () => {
    await expect(
      page.getByText('The method changed: all 120 months → the last 36 months.'),
    ).toBeVisible()
    await expect(page.locator('[data-word=trendFit]')).toHaveText('the last 36 months')
    await expect(verdict).toContainText('Over 36 tries')
    await expect(async () => {
      expect(percentOf((await verdict.textContent())!)).toBeLessThan(before / 2)
    }).toPass()
    await expect(working).not.toContainText('does better')
    await expectSaved(page)
  })

  await test.step('the contest stays with the study', async () => {
    await page.reload()
    await expect(page.getByRole('grid')).toBeVisible()
    await page.getByRole('button', { name: 'Contest', exact: true }).click()
    const contest = page.getByRole('region', { name: 'Contest of methods' })
    await expect(
      contest.getByText(/^Nearest: .*, multiplicative; a straight line through/),
    ).toBeVisible()
    await expect(contest.getByRole('progressbar')).toHaveCount(0)
    await page.getByRole('button', { name: 'Back to the Bench' }).click()
  })
})

test('a flood and a turn: the first forecast is nearer than last year repeated, and one click mends the flood', async ({
  page,
}) => {
  await bringIn(page, 'wall.csv', floodAndTurn())
  await expect(page.getByText(/^\s*Begun by rule: .*medians; the trend turns/)).toBeVisible()
  const path = page.getByRole('navigation', { name: 'Path' })
  const offs = async () => {
    const line = await path.getByRole('button', { name: /^Check/ }).textContent()
    return /off by ([\d.]+)%; repeating last year ([\d.]+)%/.exec(line!)!.slice(1).map(Number)
  }
  await expect(path.getByRole('button', { name: /^Check/ })).toContainText('repeating last year')
  const [before, lastYear] = await offs()
  expect(before!).toBeLessThan(lastYear!)

  await path.getByRole('button', { name: /^Look/ }).click()
  const working = page.getByRole('complementary', { name: 'Working' })
  const outliers = working
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: /^Replace it by/ }) })
  await expect(outliers).toHaveCount(2)
  await outliers
    .first()
    .getByRole('button', { name: /^Replace it by/ })
    .click()
  await expect(outliers).toHaveCount(1)
  await expect(async () => {
    const [after, repeated] = await offs()
    expect(after!).toBeLessThan(repeated!)
  }).toPass()
})

/** Seven years of months: the level rises, turns after four and a half, and in two months a flood closes the shop. */
function floodAndTurn(): string {
  const season = [0.62, 0.72, 0.95, 1.18, 1.34, 1.28, 1.18, 1.14, 1, 0.93, 0.88, 0.78]
  const rows = Array.from({ length: 84 }, (_, t) => {
    const level = t < 54 ? 9000 + 110 * t : 9000 + 110 * 54 - 150 * (t - 54)
    const flood = t === 40 || t === 41 ? 0.45 : 1
    const value = level * season[t % 12]! * flood * (1 + 0.03 * Math.sin(t * t * 1.7))
    return `${2018 + Math.floor(t / 12)}-${String((t % 12) + 1).padStart(2, '0')},${value.toFixed(0)}`
  })
  return ['month,Wall paint (litres)', ...rows].join('\n')
}

test('limits from past errors, and last year repeated', async ({ page }) => {
  await openSeries(page, 'Wood stain')
  await page.keyboard.press('6')
  const before = await rowFigures(page, 'upper:80')
  await chooseWord(page, 'limits', 'from past errors')
  await expect(page.locator('[data-word=limits]')).toHaveText('from past errors')
  await expect(page.locator('[data-row="upper:80"]')).toContainText('limit from past errors')
  const after = await rowFigures(page, 'upper:80')
  expect(after).not.toEqual(before)
  // A limit explains itself down to the errors that it was made of.
  await page.locator('[data-row="upper:80"] [data-t="121"]').click()
  const working = page.getByRole('complementary', { name: 'Working' })
  await expect(working).toContainText(/smallest of \d+ \|ln errors\|/)
  const errors = working.getByRole('table', { name: 'Errors of earlier forecasts' })
  await expect(errors.locator('tr.one')).toHaveCount(1)

  await chooseWord(page, 'forecast', 'by a benchmark')
  await expect(page.locator('[data-word=which]')).toHaveText('repeating last year')
  const forecast = await rowFigures(page, 'forecast')
  const sales = await rowFigures(page, 'value')
  expect(forecast['131']).toBe(sales['119'])
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-word=limits]')).toHaveText('of the model')
})

test('a series that is too short to be checked says so', async ({ page }) => {
  const rows = Array.from({ length: 36 }, (_, i) => {
    const month = `${2020 + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}`
    return `${month},${1000 + 10 * i + 100 * (i % 12)}`
  })
  await bringIn(page, 'short.csv', ['month,Short (litres)', ...rows].join('\n'))
  await expect(page.getByRole('grid')).toBeVisible()
  await page.keyboard.press('7')
  await expect(page.getByRole('complementary', { name: 'Working' })).toContainText(
    'The series is too short to be checked',
  )
  await page.getByRole('button', { name: 'Contest', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('too short to be checked')
})
