import { expect, test } from './ownServer'
import { choose, chooseWord, openSeries, rowFigures } from './support'

test('smoothing: weights chosen, one fixed, chosen again; a level reads its arithmetic', async ({
  page,
}) => {
  await openSeries(page, 'Masonry paint')
  await page.keyboard.press('5')
  await chooseWord(page, 'forecast', 'by smoothing')
  const path = page.getByRole('navigation', { name: 'Path' })
  await expect(path).toContainText(/Trend\s*α 0\.\d\d, β/)
  const working = page.getByRole('complementary', { name: 'Working' })
  await expect(working.getByText('Smoothing: a damped trend')).toBeVisible()

  await page.keyboard.press('6')
  const chosen = await rowFigures(page, 'forecast')
  await page.locator('[data-word=weights]').click()
  await page.getByLabel('α, of the level').fill('0.15')
  await page.getByLabel('α, of the level').press('Enter')
  await expect(page.locator('[data-word=weights]')).toHaveText('α 0.15')
  await expect(async () => {
    expect(await rowFigures(page, 'forecast')).not.toEqual(chosen)
  }).toPass()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-word=weights]')).toHaveText('weights chosen')
  await expect(async () => {
    expect(await rowFigures(page, 'forecast')).toEqual(chosen)
  }).toPass()

  await page.keyboard.press('5')
  await page.getByRole('button', { name: 'latest periods' }).click()

  // In the hand: level and slope follow while it moves; let go, the weight is fixed, and can be chosen again.
  const slider = page.getByRole('slider', { name: 'α, of the level' })
  const level = () => rowFigures(page, 'smoothedLevel')
  const levels = await level()
  const grip = (await slider.boundingBox())!
  await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2)
  await page.mouse.down()
  await page.mouse.move(grip.x - 120, grip.y + grip.height / 2, { steps: 4 })
  await expect(working).toContainText('in the hand')
  expect(await level()).not.toEqual(levels)
  await expect(page.locator('[data-word=weights]')).toHaveText('weights chosen')
  await page.mouse.up()
  await expect(page.locator('[data-word=weights]')).toHaveText(/^α 0\.\d+$/)
  await expect(working).toContainText(/best at 0\.\d\d; 0\.\d\d to 0\.\d\d as good/)
  await page.getByRole('button', { name: 'Pin' }).click()
  await page.getByRole('button', { name: 'Choose α, of the level again' }).click()
  await expect(page.locator('[data-word=weights]')).toHaveText('weights chosen')
  await expect(async () => expect(await level()).toEqual(levels)).toPass()

  // Fixed against chosen: the pinned one and this one side by side, with how wide their limits are.
  await page.getByRole('button', { name: 'Compare' }).click()
  const compared = page.getByRole('region', { name: 'Methods side by side' })
  await expect(compared).toContainText('width of the 80% limits, on average')
  // Named by what differs; what is the same is one line; judged by what both would have forecast.
  await expect(compared.getByRole('columnheader', { name: /α 0\.\d+/ })).toBeVisible()
  await expect(compared.getByRole('columnheader', { name: /eights chosen/ })).toBeVisible()
  await expect(compared.getByRole('row', { name: /^Level that is followed/ })).toBeVisible()
  const same = compared.getByRole('row', { name: /^The same in all: / })
  await expect(same).toContainText('indices')
  await expect(compared.getByRole('row', { name: /^What is left over/ })).toHaveCount(0)
  await same.getByRole('button', { name: 'show these too' }).click()
  await expect(compared.getByRole('row', { name: /^What is left over/ })).toBeVisible()
  await expect(compared).toContainText(/Forecasts by .* would have been nearest, off by/)
  await expect(compared.getByRole('row', { name: /^off by, on average/ })).toContainText(
    /\d\.\d%.*\d\.\d%/,
  )
  await expect(
    compared.getByRole('row', { name: /^the last 12 months hidden, off by/ }),
  ).toContainText(/\d\.\d%.*\d\.\d%/)

  // Back and Forward go between Bench and Compare; left by its button it is no place to come back to.
  await page.goBack()
  await expect(page.getByRole('grid')).toBeVisible()
  await page.goForward()
  await expect(compared).toBeVisible()
  await compared.getByRole('button', { name: 'Back to the Bench' }).click()
  await expect(page.getByRole('grid')).toBeVisible()
  await expect(page).not.toHaveURL(/view=/)
  await page.getByRole('button', { name: 'Contest', exact: true }).click()
  await expect(page).toHaveURL(/view=contest/)
  await page.goBack()
  await expect(page.getByRole('grid')).toBeVisible()

  await page.locator('[data-row=smoothedLevel] [data-t="115"]').click()
  await expect(working).toContainText(/α × sales \(Jul 2025\) ÷ season \(Jul 2024\) \+ \(1 − α\) ×/)
})

test('a contest where following the latest level wins or ties; a combination is put together and taken apart', async ({
  page,
}) => {
  await openSeries(page, 'Masonry paint')
  await page.getByRole('button', { name: 'Contest', exact: true }).click()
  const contest = page.getByRole('region', { name: 'Contest of methods' })
  await expect(contest.getByText(/^Nearest[:,] /)).toBeVisible({ timeout: 60_000 })
  const follows = contest.getByRole('row', { name: /^\d+ (Smoothing|.*; a smoothed level)/ })
  await expect(
    follows.filter({ hasText: /not told apart from the nearest|nearest/ }),
  ).not.toHaveCount(0)
  await test.step('a row opens the forecast that it was furthest off with', async () => {
    const name = contest.getByRole('button', { name: /^Repeating last year/ })
    await name.click()
    const origin = contest.getByRole('region', { name: /^Forecast from / })
    await expect(origin).toContainText(/Off by [\d.]+% on average/)
    await expect(origin.getByRole('button', { name: 'furthest off' })).toBeDisabled()
    const worst = await origin.getAttribute('aria-label')
    const back = origin.getByRole('button', { name: 'Origin before' })
    await (
      (await back.isEnabled()) ? back : origin.getByRole('button', { name: 'Next origin' })
    ).click()
    await expect(origin).not.toHaveAttribute('aria-label', worst!)
    await name.click()
    await expect(origin).toBeHidden()
  })
  const together = contest.getByRole('row', { name: /The mean of \(1\)/ }).first()
  await together.getByRole('button', { name: /take/i }).click()
  const members = page.locator('[data-word=members]')
  await expect(members).toHaveText('2 methods')
  await expect(page.locator('[data-word=limits]')).toHaveText('from past errors')
  await page.keyboard.press('6')
  await expect(page.locator('[data-row="member:2"]')).toBeVisible()
  await test.step('a method of it opens into its own working', async () => {
    await page.getByRole('button', { name: 'latest periods' }).click()
    await page.locator('[data-row="member:2"] .cell[data-t="121"]').click()
    const own = page.locator('.working-part', { hasText: 'How method 2 got there' })
    await expect(own.getByRole('heading', { name: /^Forecast, / })).toBeVisible()
    const before = await own.locator('.value').textContent()
    await own.getByRole('list', { name: 'Made from' }).getByRole('button').first().click()
    await expect(own.locator('.value')).not.toHaveText(before!)
    await own.getByRole('button', { name: /^Forecast, / }).click()
    await expect(own.locator('.value')).toHaveText(before!)
  })
  await members.click()
  await page.getByRole('checkbox', { name: 'Repeating last year' }).check()
  await expect(members).toHaveText('3 methods')
  await expect(page.locator('[data-row="member:3"]')).toBeVisible()
})

test('ARIMA: differences read, orders chosen, stopped and stepped by hand; both models in the contest', async ({
  page,
}) => {
  await openSeries(page, 'Masonry paint')
  const working = page.getByRole('complementary', { name: 'Working' })
  await page.keyboard.press('1')
  await choose(page, 'take out', 'seasonal, then first')
  await expect(working).toContainText('Tests of difference (seasonal, then first)')
  await expect(working.getByRole('img', { name: /^Partial autocorrelation/ })).toBeVisible()

  await page.getByRole('button', { name: /^Trend/ }).click()
  await chooseWord(page, 'forecast', 'by ARIMA')
  const word = page.locator('[data-word=orders]')
  await expect(word).toHaveText('orders chosen step by step')
  await expect(
    working.getByRole('heading', { name: /^ARIMA \(\d,1,\d\)\(\d,1,\d\)/ }),
  ).toBeVisible()
  await expect(working).toContainText(/Strength of season 0\.\d\d: differenced by the year/)
  // Beside the orders what the differences suggest, with their autocorrelations.
  await expect(working).toContainText('Differences by the year and by the month of sales')
  await expect(working).toContainText(/autocorrelations .* cut off/)
  const tried = working.getByRole('table', { name: 'Models that were tried' })
  await expect(tried.getByRole('row')).toHaveCount(9)

  // A longer choice fills its table, and is stopped: the method is the one before.
  await choose(page, 'How the orders come about', 'the best of all up to five terms')
  await expect(working.getByRole('table', { name: 'The best so far' })).toBeVisible()
  await working.getByRole('button', { name: /^Stop/ }).click()
  await expect(word).toHaveText('orders chosen step by step')
  await expect(working.getByRole('table', { name: 'The best so far' })).toBeHidden()

  // Any of them is taken by a click, and is then a model by hand.
  await tried.getByRole('button', { name: 'take (0,1,0)(0,1,1)', exact: true }).click()
  await expect(word).toHaveText('(0,1,0)(0,1,1)')
  const q = page.getByLabel('q, surprises before by the month')
  await q.fill('1')
  await q.press('Tab')
  await expect(word).toHaveText('(0,1,1)(0,1,1)')
  await expect(working).toContainText(/of last year's surprise stays in the season/)
  const seen = working.getByRole('table', { name: 'Models looked at' })
  await expect(seen.getByRole('row')).toHaveCount(3)
  const D = page.getByLabel('D, differences by the year')
  await D.fill('0')
  await D.press('Tab')
  await expect(
    seen.getByRole('row', { name: /\(0,1,1\)\(0,1,1\) other differences/ }),
  ).toBeVisible()
  await expect(working).toContainText(/the residuals still wave, most at lag \d+/)
  await seen.getByRole('button', { name: 'take back (0,1,1)(0,1,1)' }).click()
  await expect(word).toHaveText('(0,1,1)(0,1,1)')

  await page.getByRole('button', { name: /^Project/ }).click()
  await expect(working.locator('.symbols')).toContainText('surprise (Dec 2025)')
  await expect(working.locator('.symbols')).toContainText('sales (Jan 2025)')

  // Pinned beside the model of the deseasonalized series, whose own orders are chosen.
  await page.getByRole('button', { name: 'Pin' }).click()
  await page.keyboard.press('5')
  await chooseWord(page, 'forecast', 'by decomposition')
  await chooseWord(page, 'trend', 'an ARIMA model')
  await expect(working.getByRole('heading', { name: /^ARIMA \(\d,\d,\d\)/ })).toBeVisible()
  await expect(working).toContainText('Differences twice by the month of deseasonalized sales')
  await page.getByRole('button', { name: 'Compare' }).click()
  const compared = page.getByRole('region', { name: 'Methods side by side' })
  await expect(
    compared.getByRole('columnheader', { name: /by ARIMA|ARIMA \(0,1,1\)/ }),
  ).toBeVisible()
  // Criteria of different differences stand in rows of their own.
  await expect(
    compared.getByRole('row', { name: /^AICc of ARIMA with d = 1, D = 1/ }),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Contest', exact: true }).click()
  const table = page.locator('.contest')
  await expect(table.locator('.outcome')).toBeVisible({ timeout: 60_000 })
  await expect(table.getByRole('row', { name: /an ARIMA model of orders chosen/ })).toBeVisible()
  await expect(table.getByRole('row', { name: /ARIMA, orders chosen step by step/ })).toBeVisible()
})
