import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expectNoSeriousViolation } from './axe'
import { expect, test } from './ownServer'
import { analyse } from '../core/analyse'
import type { MethodDocument } from '../core/method'
import type { Series } from '../core/series/series'
import { openWorkbook } from '../handover/workbook/testing'
import { readFile } from '../intake/readFile'
import { openSeries } from './support'

const SMOOTHING: MethodDocument = {
  format: 'elvant-method/1',
  forecast: {
    ...{ by: 'smoothing', trend: 'additive', season: 'additive', error: 'additive' },
    ...{ initial: 'rule', weights: { alpha: 0.3, beta: 0.05, gamma: 0.2 } },
  },
}
const REGRESSION: MethodDocument = {
  format: 'elvant-method/1',
  forecast: {
    by: 'regression',
    indicators: [{ name: 'flood', from: '2019-06', to: '2019-07' }],
  },
}

function seriesOf(file: string): Series {
  const reading = readFile(readFileSync(`demo/files/${file}`))
  if (reading.outcome !== 'ok') throw new Error('refused')
  return reading.series[0]!.series
}

/** Takes over a method from a file, as someone does who was sent one. */
async function openMethod(page: Page, method: MethodDocument): Promise<void> {
  await page.getByRole('button', { name: 'Hand over' }).click()
  await page.locator('.hand-over input[type=file]').setInputFiles({
    ...{ name: 'method.json', mimeType: 'application/json' },
    buffer: Buffer.from(JSON.stringify(method)),
  })
  await expect(page.getByText('The method of method.json was taken over.')).toBeVisible()
}

async function saved(page: Page, button: string): Promise<{ name: string; bytes: Buffer }> {
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: button }).click()
  const file = await download
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) }
}

for (const { name, file, method, label } of [
  { name: 'Masonry paint', file: 'masonry-paint.csv', method: SMOOTHING, label: 'Forecast' },
  {
    name: 'Exterior paint',
    file: 'exterior-paint.csv',
    method: REGRESSION,
    label: 'Forecast, regression',
  },
]) {
  test(`the workbook of ${name} calculates what Elvant would of another value`, async ({
    page,
  }) => {
    await openSeries(page, name)
    await openMethod(page, method)
    await expect(page.getByRole('button', { name: /^Check/ })).toContainText(/off by/)
    await page.getByRole('button', { name: 'Hand over' }).click()
    const { name: called, bytes } = await saved(page, 'Save the workbook')
    expect(called).toBe(`${name} - workbook.xlsx`)
    const book = openWorkbook(new Uint8Array(bytes))
    expect(book.formulas.length).toBeGreaterThan(1000)
    expect(book.value("'Read me'!B4")).toMatch(/^Over \d+ tries such forecasts were off by/)

    const series = seriesOf(file)
    const values = series.values.with(-6, 1.2 * series.values.at(-6)!)
    const period = (result: ReturnType<typeof analyse>) => result.columns.period.at(-6)!
    const before = analyse(series, method)
    const { forecast } = analyse({ ...series, values }, method)
    book.set(book.find('Ledger', period(before), 'Sales'), values.at(-6)!)
    forecast.period.forEach((code, i) => {
      const got = book.value(book.find('Ledger', code, label)) as number
      expect(Math.abs(got / forecast.forecast[i]! - 1)).toBeLessThan(1e-9)
      expect(got).not.toBe(before.forecast.forecast[i])
    })
  })
}

test('tables leave as they are seen', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openSeries(page, 'Interior paint')
  await page.getByRole('button', { name: /^Deseasonalize/ }).click()
  await page.getByRole('button', { name: 'Hand over' }).click()
  await expectNoSeriousViolation(page)
  await page.getByRole('checkbox', { name: 'figures rounded as they are shown' }).check()

  const csv = await saved(page, 'Save as CSV')
  const lines = csv.bytes.toString('utf8').split('\r\n')
  expect(lines[0]).toContain('Interior paint (litres)')
  expect(lines.find((line) => line.startsWith('period,'))).toContain('month on month')

  await page.getByRole('button', { name: 'Hand over' }).click()
  await page.getByRole('radio', { name: 'The season grid' }).check()
  await page.getByRole('checkbox', { name: 'series, method and date above it' }).uncheck()
  const sheet = await saved(page, 'Save as XLSX')
  expect(sheet.name).toBe('Interior paint - seasons.xlsx')
  const grid = openWorkbook(new Uint8Array(sheet.bytes))
  expect(grid.value('seasons!A1')).toMatch(/^(Ratio|Index|Difference)/)

  await page.getByRole('button', { name: 'Hand over' }).click()
  await page.getByRole('radio', { name: 'The forecast, with limits and totals' }).check()
  await page.getByRole('button', { name: 'Copy', exact: true }).click()
  await expect(page.getByText('Copied; paste it into a spreadsheet.')).toBeVisible()
  const copied = await page.evaluate(() => navigator.clipboard.readText())
  expect(copied.split('\n')[0]).toMatch(/^period\tt\t/)
  expect(copied).toMatch(/^total 2026\t/m)
})

test('pictures leave in the size that they are asked for', async ({ page }) => {
  await openSeries(page, 'Interior paint')
  await page.getByRole('button', { name: /^Project/ }).click()
  const at = async (width: string, height: string, button: string) => {
    await page.getByRole('button', { name: 'Hand over' }).click()
    await page.getByLabel('Width of the picture, in cm').fill(width)
    await page.getByLabel('Height of the picture, in cm').fill(height)
    return saved(page, button)
  }
  const small = await at('12', '9', 'Save as SVG')
  expect(small.name).toBe('Interior paint - Project.svg')
  expect(small.bytes.toString()).toContain('width="454" height="340"')
  expect(small.bytes.toString()).toContain('>Interior paint<')
  const large = await at('25.4', '12.7', 'Save as PNG')
  expect(large.name).toBe('Interior paint - Project.png')
  // Width and height of a PNG stand in its first part: 10 × 5 inches of 150 dots.
  expect([large.bytes.readUInt32BE(16), large.bytes.readUInt32BE(20)]).toEqual([1500, 750])
  await page.getByRole('button', { name: 'Hand over' }).click()
  await page.getByLabel('Height of the picture, in cm').fill('2')
  await expect(page.getByText(/^The height must be/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save as SVG' })).toBeDisabled()
})

test('a calculated row becomes a series of its own, which follows the values', async ({ page }) => {
  await openSeries(page, 'Wood stain')
  await page.getByRole('button', { name: /^Deseasonalize/ }).click()
  await page.locator('[data-row=deseasonalized] .cell').nth(3).click()
  const working = page.getByRole('complementary', { name: 'Working' })
  await working.getByRole('button', { name: 'take the row on as a series' }).click()
  await page.getByRole('link', { name: 'Open it' }).click()
  const own = page.getByRole('heading', { name: 'Deseasonalized of Wood stain', exact: true })
  await expect(own).toBeVisible()
  await expect(page.getByText('Deseasonalized of Wood stain, follows its values')).toBeVisible()
  const address = page.url()
  const values = async () => {
    const study = await page.request.get(`/api/v1/studies/${address.split('/').at(-1)}`)
    const { series } = (await study.json()) as { series: { values: (number | null)[] } }
    return JSON.stringify(series.values)
  }
  const before = await values()

  // A value of what it is calculated from is replaced: it follows.
  await page.getByRole('link', { name: 'Wood stain', exact: true }).click()
  await page.getByRole('button', { name: /^Look/ }).click()
  await working.getByLabel('use instead').fill('99999')
  await working.getByLabel(/^Reason to replace/).fill('typed')
  await working.getByRole('button', { name: 'replace', exact: true }).click()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await expect.poll(values).not.toBe(before)
  await page.goto('/')
  const row = page.locator('tr.series', { hasText: 'Deseasonalized of Wood stain' })
  await expect(row).toContainText('follows')
})
