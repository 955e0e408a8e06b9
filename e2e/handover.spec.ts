import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { unzipSync } from 'fflate'
import { expectNoSeriousViolation } from './axe'
import { expect, test } from './ownServer'
import { analyse } from '../core/analyse'
import type { MethodDocument } from '../core/method'
import type { Series } from '../core/series/series'
import { openWorkbook } from '../handover/workbook/testing'
import { readFile } from '../intake/readFile'
import { choose, openSeries } from './support'

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

test('pictures leave in the size and the look that they are asked for', async ({ page }) => {
  await openSeries(page, 'Interior paint')
  await page.getByRole('button', { name: /^Project/ }).click()
  await page.getByRole('button', { name: 'Hand over' }).click()
  await page.getByRole('button', { name: 'Take a picture…' }).click()
  const dialog = page.getByRole('dialog', { name: 'A picture' })
  const size = async (width: string, height: string) => {
    await dialog.getByLabel('Width of the picture, in cm').fill(width)
    await dialog.getByLabel('Height of the picture, in cm').fill(height)
  }
  await size('12', '9')
  const small = await saved(page, 'Save as SVG')
  expect(small.name).toBe('Interior paint - Project.svg')
  expect(small.bytes.toString()).toContain('width="454" height="340"')
  expect(small.bytes.toString()).toContain('>Interior paint<')
  await size('25.4', '12.7')
  const large = await saved(page, 'Save as PNG')
  expect(large.name).toBe('Interior paint - Project.png')
  // Width and height of a PNG stand in its first part: 10 × 5 inches of 150 dots.
  expect([large.bytes.readUInt32BE(16), large.bytes.readUInt32BE(20)]).toEqual([1500, 750])

  // In pixels there are as many as were asked for.
  await choose(page, 'What the sides are counted in', 'px')
  await expect(dialog.getByLabel('Width of the picture, in px')).toHaveValue('960')
  const exact = await saved(page, 'Save as PNG')
  expect([exact.bytes.readUInt32BE(16), exact.bytes.readUInt32BE(20)]).toEqual([960, 480])
  await choose(page, 'What the sides are counted in', 'cm')

  // The same words in both sizes, but for what there is room for along the bottom.
  const wide = await saved(page, 'Save as SVG')
  const said = ({ bytes }: typeof wide) =>
    [...bytes.toString().matchAll(/<text[^>]*font-weight[^>]*>([^<]*)</g)].map(([, text]) => text)
  expect(said(wide)).toEqual(expect.arrayContaining(['Interior paint', 'Forecast', 'Season']))

  // A title, a scale and where lines are named, kept under a name.
  await dialog.getByLabel('Title of the picture').fill('For the board')
  await dialog.getByLabel('Scale of the first strip to').fill('90')
  await choose(page, 'Where the lines are named', 'lines not named')
  await dialog.getByLabel('Name of these choices').fill('Board')
  await dialog.getByRole('button', { name: 'Keep' }).click()
  const own = (await saved(page, 'Save as SVG')).bytes.toString()
  expect(own).toContain('>For the board<')
  expect(own).not.toContain('>80%, 95% limits<')
  await size('16', '2')
  await expect(dialog.getByText(/^The height must be/)).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Save as SVG' })).toBeDisabled()
  await dialog.getByRole('button', { name: 'Board', exact: true }).click()
  await expect(dialog.getByLabel('Height of the picture, in cm')).toHaveValue('12.7')
  await expectNoSeriousViolation(page)

  // Several at once.
  await dialog.getByLabel('Pictures that leave together').click({ force: true })
  await page.getByRole('option', { name: 'Folded by year' }).click()
  await page.keyboard.press('Escape')
  const zip = await saved(page, 'Zip of SVG')
  expect(zip.name).toBe('Interior paint - pictures.zip')
  expect(Object.keys(unzipSync(zip.bytes))).toEqual(['Interior paint - Folded by year.svg'])
})

test('a report answers from disk without a network, and prints', async ({ page, browser }) => {
  await openSeries(page, 'Primer')
  await expect(page.getByRole('button', { name: /^Check/ })).toContainText(/off by/)
  const openReport = async () => {
    await page.getByRole('button', { name: 'Hand over' }).click()
    await page.getByRole('button', { name: 'Write the report…' }).click()
    return page.getByRole('dialog', { name: 'A report that answers' })
  }
  const dialog = await openReport()
  const top = dialog.getByLabel('At the top of the report')
  await top.fill('A good year: ')
  await dialog.getByRole('button', { name: 'Put in a figure' }).click()
  await page.getByText('The total of the year ahead').click()
  await expect(top).toHaveValue(/^A good year: \[[\d,]+ = total: ahead\]$/)
  await top.press('End')
  await top.pressSequentially(', not [600,000 = total: ahead].')
  await expect(dialog.getByText('600,000 is')).toBeVisible()
  await expectNoSeriousViolation(page)
  const { name, bytes } = await saved(page, 'Save the report')
  expect(name).toBe('Primer.html')
  expect(bytes.length).toBeLessThan(600_000)

  // What was written is kept with the study, and takes the present figures.
  await page.reload()
  const again = await openReport()
  await again.getByRole('button', { name: 'Take the present figures' }).click()
  await expect(again.getByLabel('At the top of the report')).not.toHaveValue(/600,000/)

  const file = join(mkdtempSync(join(tmpdir(), 'elvant-report-')), 'report.html')
  writeFileSync(file, bytes)
  const context = await browser.newContext({ offline: true })
  const report = await context.newPage()
  const complaints: string[] = []
  report.on('pageerror', ({ message }) => complaints.push(message))
  report.on('console', (said) => said.type() === 'error' && complaints.push(said.text()))
  report.on('request', (request) => {
    if (!request.url().startsWith('file:')) complaints.push(request.url())
  })
  await report.goto(pathToFileURL(file).href)
  await expect(report.getByRole('heading', { name: 'What will come' })).toBeVisible()
  await expect(report.locator('.loose')).toHaveText('600,000')

  // From a forecast down to the values as they came in, by keyboard alone.
  const first = report.getByRole('table', { name: /^Forecast with limits/ }).getByRole('button')
  await first.first().focus()
  await report.keyboard.press('Enter')
  const working = report.getByRole('dialog', { name: 'Working' })
  await expect(working.getByRole('heading', { name: 'Forecast, Jan 2026' })).toBeFocused()
  await expect(working.locator('.numbers')).toContainText(/[×+]/)
  for (let depth = 0; (await working.locator('.sources button').count()) > 0; depth++) {
    expect(depth).toBeLessThan(12)
    await working.locator('.sources button').last().focus()
    await report.keyboard.press('Enter')
  }
  await expect(working).toContainText('from primer.csv, as it came in')
  await working.getByRole('button', { name: 'Back' }).click()
  await expect(working.locator('.numbers')).toBeVisible()
  await report.keyboard.press('Escape')
  await expect(working).toBeHidden()
  await expect(first.first()).toBeFocused()
  const axe = await new AxeBuilder({ page: report }).setLegacyMode(true).analyze()
  expect(axe.violations.map(({ id }) => id)).toEqual([])

  const pdf = await report.pdf({ preferCSSPageSize: true })
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(3)
  expect(complaints).toEqual([])
  await context.close()
})

test('one report on several series leaves the shelf', async ({ page }) => {
  await page.goto('/')
  for (const name of ['Interior paint', 'Wood stain']) {
    await page.getByRole('row', { name }).getByRole('checkbox').check()
  }
  await page.getByRole('button', { name: 'Report', exact: true }).click()
  const download = page.waitForEvent('download')
  await page.getByText('A page for each').click()
  const report = readFileSync(await (await download).path(), 'utf8')
  expect(report).toContain('<h1>2 series</h1>')
  expect(report).toContain('href="#study-1"')
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
