import { readFileSync } from 'node:fs'
import { expect, test } from './ownServer'
import { analyse } from '../core/analyse'
import { totalsByYear } from '../core/forecast/totals'
import { calendarOfResult, startOfResult } from '../core/ledger/calendarOfResult'
import { regressionReadings } from '../core/ledger/regressionReadings'
import type { MethodDocument } from '../core/method'
import { readFile } from '../intake/readFile'
import { chooseWord, expectSaved, openSeries, rowFigures } from './support'

/** What the core says of exterior paint by a method: the screen must show the same. */
function fromCore(more: Partial<MethodDocument>) {
  const reading = readFile(readFileSync('demo/files/exterior-paint.csv'))
  if (reading.outcome !== 'ok') throw new Error('refused')
  const series = { ...reading.series[0]!.series, noun: 'sales' }
  return analyse(series, { format: 'elvant-method/1', ...more })
}
const thousands = (value: number) => (value / 1000).toFixed(1)

test('from the deseasonalized series to a forecast by regression, with the flood as an event', async ({
  page,
}) => {
  await openSeries(page, 'Exterior paint')
  const working = page.getByRole('complementary', { name: 'Working' })
  await page.keyboard.press('5')

  await test.step('a second form of the trend', async () => {
    await expect(working.locator('.equation')).toHaveText(fromCore({}).trendFit.equation)
    await chooseWord(page, 'trend', 'a quadratic curve')
    await expect(working.locator('.equation')).toHaveText(
      fromCore({ trend: { form: 'quadratic' } }).trendFit.equation,
    )
    await expect(working.getByText('a month')).toHaveCount(0)
  })

  let column = 0
  await test.step('a line that breaks, the break dragged to the flood', async () => {
    await chooseWord(page, 'trend', 'a line with breaks')
    const handle = page.getByRole('slider', { name: 'Break 1 of 1' })
    const target = page.getByRole('slider', { name: 'First period of the trend' })
    const at = (await handle.boundingBox())!
    const first = (await target.boundingBox())!
    const now = Number(await handle.getAttribute('aria-valuenow'))
    // The break stands in the middle of its column, the start of the fit at the left edge of the first.
    column = (at.x + at.width / 2 - (first.x + first.width / 2)) / (now - 0.5)
    const flood = 42 // Jun 2019
    await page.mouse.move(at.x + at.width / 2, at.y + 60)
    await page.mouse.down()
    await page.mouse.move(at.x + at.width / 2 + (flood - now) * column, at.y + 60, { steps: 6 })
    await page.mouse.up()
    await expect(handle).toHaveAttribute('aria-valuetext', 'Jun 2019')
    await expect(page.locator('[data-word=breaks]')).toHaveText('Jun 2019')
    const { trendFit } = fromCore({ trend: { form: 'breaks', breaks: [{ period: '2019-06' }] } })
    await expect(working.locator('.equation')).toHaveText(trendFit.equation)
    await expect(working.getByRole('table', { name: 'Slopes of the pieces' })).toContainText(
      'from Jun 2019',
    )
    // By keys as well, and back.
    await handle.press('ArrowRight')
    await expect(page.locator('[data-word=breaks]')).toHaveText('Jul 2019')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.locator('[data-word=breaks]')).toHaveText('Jun 2019')
  })

  await test.step('fitted to the last years alone, by the start of the trend', async () => {
    const from = page.getByRole('slider', { name: 'First period of the trend' })
    await from.press('PageUp')
    await expect(page.locator('[data-word=trendFit]')).toHaveText('the last 108 months')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.locator('[data-word=trendFit]')).toHaveText('all 120 months')
    // A break that cannot be is refused where it is asked for, and nothing changes.
    await page.locator('[data-word=breaks]').click()
    await page.getByLabel('Another break').fill('Jan 2016')
    await page.getByRole('option', { name: 'Jan 2016' }).click()
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByRole('alert')).toContainText('no fitted periods on both sides')
    await page.keyboard.press('Escape')
    await expect(page.locator('[data-word=breaks]')).toHaveText('Jun 2019')
    await chooseWord(page, 'trend', 'a straight line')
  })

  const indicators = [{ name: 'flood', from: '2019-06', to: '2019-07' }]
  const result = fromCore({ forecast: { by: 'regression', indicators } })
  await test.step('the flood, marked on the strip, becomes an event of a regression', async () => {
    const edge = (await page
      .getByRole('slider', { name: 'First period of the trend' })
      .boundingBox())!
    const strip = (await page.locator('.strip canvas').first().boundingBox())!
    const x = (t: number) => edge.x + edge.width / 2 + (t - 0.5) * column
    await page.keyboard.down('Shift')
    await page.mouse.move(x(42), strip.y + 40)
    await page.mouse.down()
    await page.mouse.move(x(43), strip.y + 40, { steps: 3 })
    await page.mouse.up()
    await page.keyboard.up('Shift')
    const marked = page.getByRole('form', { name: 'Marked stretch' })
    await expect(marked).toContainText('Jun 2019 to Jul 2019, 2 months')
    await marked.getByLabel('What happened in the marked stretch').fill('flood')
    await marked.getByRole('button', { name: 'make it an event' }).click()
    await expect(page.locator('[data-word=forecast]')).toHaveText('by regression')
    // By typing as well: a step that is taken out again.
    await page.locator('[data-word=events]').click()
    await expect(page.getByText('flood Jun 2019 to Jul 2019')).toBeVisible()
    await page.getByLabel('Name of the event').fill('new shop')
    await page.getByLabel('it stays').check()
    await page.getByLabel('First period of the event').fill('Mar 2022')
    await page.getByRole('option', { name: 'Mar 2022' }).click()
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.locator('[data-word=events]')).toHaveText('2 events')
    await page.getByRole('button', { name: 'take out' }).last().click()
    await expect(page.locator('[data-word=events]')).toHaveText('1 event')
    // It is feared for a month to come: the same event once more.
    await page.getByRole('button', { name: 'again: flood' }).click()
    await page.getByLabel('First period of the event').fill('Mar 2026')
    await page.getByRole('option', { name: 'Mar 2026' }).click()
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByText('flood again Mar 2026, to come')).toBeVisible()
    await page.getByRole('button', { name: 'take out flood, Mar 2026' }).click()
    await expect(page.getByText('flood again')).toHaveCount(0)
    await page.keyboard.press('Escape')
    await expect(page.locator('[data-word=events]')).toHaveText('1 event')
  })

  await test.step('its report says what every coefficient means', async () => {
    const table = working.getByRole('table', { name: 'Coefficients of the regression' })
    for (const { reads } of regressionReadings(result)!.terms) {
      await expect(table).toContainText(reads)
    }
    await expect(table).toContainText('May sells 36% more than the average month, all else equal')
    await expect(working.getByRole('list', { name: /^Effects of the seasons/ })).toContainText(
      '1.364',
    )
  })

  await test.step('its residuals, in words and pictures', async () => {
    await expect(working.getByText('The residuals are as good as normal')).toBeVisible()
    for (const picture of [
      'Residuals against time',
      'Residuals against fitted',
      'Residuals by season',
      'Histogram of the residuals',
      'Autocorrelation of the residuals',
    ]) {
      await expect(working.getByRole('img', { name: new RegExp(`^${picture}`) })).toBeVisible()
    }
    await expect(working.getByText('in the event flood')).toHaveCount(2)
  })

  await test.step('a fitted value is worked out from the columns of the design', async () => {
    await page.getByRole('button', { name: 'with the 13 columns of the regression' }).click()
    await page.getByRole('button', { name: 'latest periods' }).click()
    await expect(page.locator('[data-row="event flood"]')).toBeVisible()
    await page.locator('[data-row=fitted] .cell[data-t="120"]').click()
    await expect(
      working.getByRole('heading', { name: 'Fitted, regression, Dec 2025' }),
    ).toBeVisible()
    await expect(working.locator('.value')).toContainText(
      Math.round(result.columns.fitted[119]!).toLocaleString('en-GB'),
    )
  })

  await test.step('the forecast with its totals', async () => {
    await page.keyboard.press('6')
    const shown = Object.entries(await rowFigures(page, 'forecast')).filter(
      ([, text]) => text !== '',
    )
    expect(shown.length).toBeGreaterThan(2)
    for (const [t, text] of shown) {
      expect(text).toBe(thousands(result.forecast.forecast[Number(t) - 121]!))
    }
    const [year] = totalsByYear({
      calendar: calendarOfResult(result),
      start: startOfResult(result),
      firstT: 1,
      quantity: result.series.quantity,
      values: result.columns.value,
      forecast: result.forecast.forecast,
    })
    const totals = working.getByRole('table', { name: 'Totals of the forecast' })
    await expect(totals).toContainText(thousands(year!.total!))
    await expect(totals).toContainText(`+${(100 * year!.change!).toFixed(1)}%`)
    await expectSaved(page)
    await page.reload()
    await expect(page.locator('[data-word=events]')).toHaveText('1 event')
  })
})
