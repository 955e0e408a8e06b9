import { readFileSync } from 'node:fs'
import { expect, test } from './ownServer'
import { analyse } from '../core/analyse'
import { begin } from '../core/begin'
import { calendarOf } from '../core/calendar/calendar'
import { actualOf } from '../core/ledger/ledger'
import { changed } from '../core/method'
import { readFile } from '../intake/readFile'
import { bringIn, chooseWord, expectSaved, openSeries, rowFigures } from './support'

const FILE = 'demo/files/exterior-paint.csv'

/** What the core says of the same file: the screen must show the same figures. */
function fromCore(model: 'multiplicative' | 'additive') {
  const reading = readFile(readFileSync(FILE))
  if (reading.outcome !== 'ok') throw new Error('refused')
  const { series } = reading.series[0]!
  // A series that is brought in begins with the method that it asks for.
  return analyse(series, changed(begin(series).method, { decompose: { model } }))
}

test('from a dropped file to a kept forecast', async ({ page }) => {
  const result = fromCore('multiplicative')

  await test.step('drop the file', async () => {
    await page.goto('/')
    await page.getByRole('link', { name: 'Bring in a file' }).click()
    const text = readFileSync(FILE, 'utf8')
    const transfer = await page.evaluateHandle((content) => {
      const data = new DataTransfer()
      data.items.add(new File([content], 'exterior-paint.csv', { type: 'text/csv' }))
      return data
    }, text)
    await page.getByText('Drop a sales file here').dispatchEvent('drop', { dataTransfer: transfer })
    await expect(page.getByText('Jan 2016 – Dec 2025, 120 months, none missing')).toBeVisible()
    await page.getByLabel('name').fill('Exterior paint, dropped')
    await page.getByRole('button', { name: 'Keep this series' }).click()
    await expect(page).toHaveURL(/\/study\//)
  })
  const address = page.url()

  await test.step('read the indices in the season grid', async () => {
    await page.getByRole('button', { name: /^Season/ }).click()
    await page.getByRole('button', { name: 'fold by year' }).click()
    const index = page.locator('tr.index td')
    await expect(index).toHaveText(result.seasons.map((row) => row.index.toFixed(3)))
    await expect(page.getByText(/Mean of the 12 raw indices 1\.00\d\d/)).toBeVisible()
    await expect(page.locator('tfoot tr', { hasText: 'reads' }).locator('td').nth(4)).toHaveText(
      '+34%',
    )
    await page.getByRole('button', { name: 'folded by year' }).click()
  })

  await test.step('ask a ratio how it came about', async () => {
    const t = 113 // May 2025
    await page.locator('[data-row=seasonalIrregular] .cell[data-t="113"]').click()
    const working = page.getByRole('complementary', { name: 'Working' })
    await expect(working.getByRole('heading', { name: 'Ratio, May 2025' })).toBeVisible()
    const value = result.columns.value[t - 1]!.toLocaleString('en-GB')
    await expect(working.locator('.numbers')).toContainText(`${value} ÷ `)
    await expect(working.locator('.value')).toContainText(
      `= ${actualOf(result, 'seasonalIrregular')[t - 1]!.toFixed(4)}`,
    )
    await expect(working.getByText('35% above the baseline')).toBeVisible()
    for (const row of ['value', 'trendCycle']) {
      await expect(page.locator(`[data-row=${row}] .cell[data-t="113"]`)).toHaveClass(/source/)
    }
    await expect(working.getByText('May over the years')).toBeVisible()
  })

  await test.step('switch to additive and back', async () => {
    await chooseWord(page, 'model', 'additive')
    const additive = fromCore('additive')
    await expect(page.locator('[data-row=seasonalIrregular] .label')).toHaveText('Difference')
    const shown = await rowFigures(page, 'index')
    expect(shown['113']).toBe((additive.seasons[4]!.index / 1000).toFixed(1))
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.locator('[data-row=seasonalIrregular] .label')).toHaveText('Ratio')
    await page.getByRole('button', { name: 'Redo' }).click()
    await expect(page.locator('[data-row=seasonalIrregular] .label')).toHaveText('Difference')
    await page.keyboard.press('Control+z')
    await expect(page.locator('[data-row=seasonalIrregular] .label')).toHaveText('Ratio')
  })

  await test.step('read the forecast in both forms, with limits', async () => {
    await page.getByRole('button', { name: /^Project/ }).click()
    const [plain, seasonal, upper] = [
      await rowFigures(page, 'forecastDeseasonalized'),
      await rowFigures(page, 'forecast'),
      await rowFigures(page, 'upper:95'),
    ]
    const thousands = (value: number | null) => (value! / 1000).toFixed(1)
    result.forecast.t.forEach((t, i) => {
      expect(plain[t]).toBe(thousands(result.forecast.deseasonalized[i]!))
      expect(seasonal[t]).toBe(thousands(result.forecast.forecast[i]!))
      expect(upper[t]).toBe(thousands(result.forecast.limits['95']!.upper[i]!))
    })
    await expect(page.getByText('not yet in season')).toBeVisible()
  })

  await test.step('take the forecast away', async () => {
    await page.getByRole('button', { name: 'Hand over' }).click()
    const download = page.waitForEvent('download')
    await page.getByRole('radio', { name: 'The forecast, with limits and totals' }).check()
    await page.getByRole('button', { name: 'Save as CSV' }).click()
    const file = await download
    expect(file.suggestedFilename()).toBe('Exterior paint, dropped - forecast.csv')
    const csv = readFileSync(await file.path(), 'utf8')
    expect(csv).toContain('deseasonalized forecast (litres),seasonal index,forecast (litres)')
    expect(csv).toContain(`2026-01,121,${result.forecast.deseasonalized[0]},`)
  })

  await test.step('find a change again after leaving', async () => {
    await page.locator('[data-word=horizon]').click()
    await page.getByRole('button', { name: '2 years' }).click()
    await expect(page.locator('[data-word=horizon]')).toHaveText('24 months')
    await expectSaved(page)
    await page.goto('/')
    await page.goto(address)
    await expect(page.locator('[data-word=horizon]')).toHaveText('24 months')
  })
})

test('a value is left out of its index with a reason, and put back', async ({ page }) => {
  await openSeries(page, 'Exterior paint')
  await page.getByRole('button', { name: 'fold by year' }).click()
  const june = page.locator('tr.index td').nth(5)
  const before = await june.textContent()
  const flood = page.locator('tbody tr', { hasText: '2019' }).locator('td').nth(5)
  await flood.click()
  await page.getByLabel(/Reason to leave/).fill('flood closed the plant')
  await page.getByRole('button', { name: 'leave out', exact: true }).click()
  await expect(page.locator('[data-word=exclude]')).toHaveText('1 value left out')
  await expect(flood).toHaveClass(/excluded/)
  expect(Number(await june.textContent())).toBeGreaterThan(Number(before) + 0.02)
  await expect(
    page.getByText('Jun 2019 is left out of its season: flood closed the plant.'),
  ).toBeVisible()

  await page.locator('[data-word=exclude]').click()
  await page.getByRole('listitem').getByRole('button', { name: 'put back' }).click()
  await expect(june).toHaveText(before!)
})

test('the keyboard reaches periods, rows, stages and the fold', async ({ page }) => {
  await openSeries(page, 'Exterior paint')
  const heading = page.getByRole('complementary', { name: 'Working' }).getByRole('heading').first()
  await expect(heading).toHaveText('Ratio, Jun 2025')
  await page.keyboard.press('ArrowLeft')
  await expect(heading).toHaveText('Ratio, May 2025')
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(heading).toHaveText('Ratio, May 2024')
  await expect(page.locator('.cell.selected')).toBeInViewport()
  await page.keyboard.press('ArrowDown')
  await expect(heading).toHaveText('Index, May 2024')
  await page.keyboard.press('Home')
  await expect(heading).toHaveText('Index, Jan 2016')
  await page.keyboard.press('6')
  await expect(page.locator('[aria-current=step]')).toContainText('Project')
  await page.keyboard.press('f')
  await expect(page.getByRole('button', { name: 'folded by year' })).toBeVisible()
  await page.keyboard.press('f')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog').getByText('fold by year, and unfold')).toBeVisible()
  // While it opens, the key can go to the page beneath.
  await expect(async () => {
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toBeHidden({ timeout: 2000 })
  }).toPass()
})

test('a series too short for the method is shown with the reason', async ({ page }) => {
  await page.goto('/intake')
  await page.getByLabel('Paste rows here').fill('quarter,Jobs\n2024 Q1,4\n2024 Q2,6\n2024 Q4,5')
  await page.getByRole('button', { name: 'Read these rows' }).click()
  await expect(page.getByText('1 missing')).toBeVisible()
  await page.getByRole('button', { name: 'Keep this series' }).click()
  // It begins without a season; a person can still ask for one, and is told why there is none.
  await expect(page.locator('[data-word=by]')).toHaveText('no season')
  await expect(page.getByText(/Begun by rule: 4 quarters are too few for a season/)).toBeVisible()
  await chooseWord(page, 'by', 'ratio to a 2×4 moving average')
  await expect(page.getByRole('alert')).toContainText(
    'at least two full years (8 quarters); there are 4',
  )
  // Look needs only the series, and is there with its tests; so is Smooth.
  expect(await rowFigures(page, 'value')).toEqual({ '1': '4', '2': '6', '4': '5' })
  const working = page.getByRole('complementary', { name: 'Working' })
  await page
    .getByRole('navigation', { name: 'Path' })
    .getByRole('button', { name: /^Look/ })
    .click()
  await expect(working.getByText('Does it stay where it is?')).toBeVisible()
  await expect(working.getByText('1 quarter without a value')).toBeVisible()
  const path = page.getByRole('navigation', { name: 'Path' })
  await path.getByRole('button', { name: /^Smooth/ }).click()
  await page.getByLabel('Terms', { exact: true }).fill('2')
  await page.getByRole('button', { name: 'add', exact: true }).click()
  await expect(page.getByRole('rowheader', { name: /^2-term average/ })).toBeVisible()
  // What would help is found by trying, and done with one click.
  await page.getByRole('alert').getByRole('button', { name: 'Do without a season' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(page.locator('[data-word=by]')).toHaveText('no season')
  await path.getByRole('button', { name: /^Project/ }).click()
  await expect(page.locator('[data-row=forecast] .cell')).toHaveCount(4)
})

test('a yearly file goes from intake to forecast without a word of a season', async ({ page }) => {
  const sold = [812, 840, 861, 903, 880, 835, 852, 930, 915, 990, 975, 1040]
  const rows = sold.map((value, i) => `${2010 + i},${value}`)
  await bringIn(page, 'by-year.csv', ['year,Paint (thousand litres)', ...rows].join('\n'))
  const yearly = {
    ...{ name: 'Paint', unit: 'thousand litres', values: sold },
    calendar: calendarOf('yearly'),
    start: { cycle: 2010, season: 1 },
  }
  const result = analyse(yearly, { format: 'elvant-method/1' })
  const path = page.getByRole('navigation', { name: 'Path' })
  const working = page.getByRole('complementary', { name: 'Working' })
  const stage = (name: string) => path.getByRole('button', { name: new RegExp(`^${name}`) }).click()
  await expect(page.locator('.sentence')).toContainText(
    'with no season; smoothed by a 5-term moving average',
  )
  await expect(page.getByRole('button', { name: 'fold by year' })).toHaveCount(0)

  await stage('Look')
  await expect(page.locator('.spacing')).toContainText('years apart')
  await expect(page.locator('.axis')).not.toContainText('year')
  await stage('Season')
  await expect(page.getByText('A yearly series has one value a year')).toBeVisible()
  await stage('Deseasonalize')
  await expect(page.getByText('A yearly series has one value a year')).toBeVisible()

  await stage('Smooth')
  await page.locator('[data-word=order]').click()
  await page.getByLabel(/^an average of/).fill('3')
  await page.getByLabel(/^an average of/).press('Tab')
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('rowheader', { name: /^Centred average 3 terms/ })).toBeVisible()

  await stage('Trend')
  await expect(working.locator('.equation')).toHaveText(result.trendFit.equation)
  await stage('Project')
  const forecast = result.forecast.forecast.map((value) => Math.round(value).toLocaleString('en'))
  expect(Object.values(await rowFigures(page, 'forecast'))).toEqual(forecast)
  await stage('Check')
  await expect(working.getByText(/what changed from period to period/).first()).toBeVisible()
  const words = await page.locator('main').innerText()
  expect(words.replace(/Season\n|Deseasonalize|no season in it|none in a yearly/g, '')).not.toMatch(
    /season|index|year year|1-term/i,
  )
  await expectSaved(page)
})
