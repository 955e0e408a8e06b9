import { fileURLToPath } from 'node:url'
import { analyse } from '../../core/analyse'
import { periodLabel } from '../../core/calendar/labels'
import { verdictLine } from '../../core/check/words'
import { parsePeriod } from '../../core/calendar/codes'
import { calendarOfResult, cycleOfResult } from '../../core/ledger/calendarOfResult'
import { regressionReadings } from '../../core/ledger/regressionReadings'
import { totalsOf } from '../../core/ledger/totalled'
import type { MethodDocument } from '../../core/method'
import { residualWords } from '../../core/regression/residualWords'
import type { Result } from '../../core/result'
import { fittedReport } from '../../core/trend/report'
import { methodSentence } from '../../core/sentence/sentence'
import { piecesText } from '../../core/word'
import type { Series } from '../../core/series/series'
import { readFile } from '../../intake/readFile'
import { readBytes } from '../files'
import { print } from '../output'

const FILE = fileURLToPath(new URL('../../demo/files/exterior-paint.csv', import.meta.url))

/** The flood that closed the plant. */
const FLOOD = { name: 'flood', from: '2019-06', to: '2019-07' }

/** Runs Quillfield's exterior paint through the whole path and prints what an analyst reads. */
export function example(): void {
  const reading = readFile(readBytes(FILE))
  if (reading.outcome !== 'ok') throw new Error('The demo file cannot be read.')
  const { series } = reading.series[0]!
  const run = (more: Partial<MethodDocument> = {}) =>
    analyse(series, { format: 'elvant-method/1', ...more })
  const broken = run({ trend: { form: 'breaks', breaks: [{ period: FLOOD.from }] } })
  const regression = run({ forecast: { by: 'regression', indicators: [FLOOD] } })
  print(
    [
      report(series, run()),
      ...checkLines(run({ check: {} })),
      '\nThe same with a break at the flood\n',
      ...trendLines(broken),
      '\nOne regression of trend, season and flood in place of the decomposition\n',
      ...regressionLines(regression),
      '',
      ...forecastLines(regression),
      '',
      ...totalLines(regression),
    ].join('\n') + '\n',
  )
}

/** The indices, the trend and the forecast of a result, as a page of text. */
export function report(of: Series, result: Result): string {
  const { series, seasons, method, decomposition } = result
  const calendar = calendarOfResult(result)
  const label = (code: string) => periodLabel(parsePeriod(code, calendar)!, calendar)
  const lines = [
    `${series.name}, ${series.unit}, ${series.frequency}, ${label(series.start)} to ${label(series.end)}: ${series.periods} periods, ${series.missing} missing`,
    piecesText(methodSentence(method, of)),
    '',
    'Seasonal indices',
    ...seasons.map((row) => `  ${row.label.padEnd(4)} ${fixed(row.index, 4, 9)}  ${row.reading}`),
    ...('rawIndexMean' in decomposition
      ? [`  mean of the raw indices ${decomposition.rawIndexMean.toFixed(4)}`]
      : []),
    '',
    'Trend of the deseasonalized series',
    ...trendLines(result),
    '',
    ...forecastLines(result),
    '',
    ...totalLines(result),
    '',
    'Worth knowing',
    ...result.findings.map(({ text }) => `  ${text}`),
  ]
  return lines.join('\n') + '\n'
}

/** The equation of the trend, the slope of its pieces, and R² before and after deseasonalizing. */
function trendLines({ trendFit: trend, series }: Result): string[] {
  const trendFit = fittedReport(trend)
  return [
    `  ${trendFit.equation}   (time code 1 in ${series.start})`,
    ...trendFit.segmentSlopes.map(
      ({ label, estimate }) => `  ${label}: ${estimate.toFixed(1)} ${series.unit} a month`,
    ),
    `  R² ${percent(trendFit.r2Before)} before deseasonalizing, ${percent(trendFit.r2)} after`,
  ]
}

/** Every coefficient with its reading, how well they fit, and what the residuals say. */
function regressionLines(result: Result): string[] {
  const { regression } = result
  const readings = regressionReadings(result)
  if (!regression || !readings) return []
  return [
    ...readings.terms.map(
      ({ term, reads, isTold }) =>
        `  ${term.label.padEnd(10)}${fixed(term.estimate, 4, 10)}  ${reads}${isTold ? '' : '; cannot be told from nothing'}`,
    ),
    `  R² ${percent(regression.r2)}, ${regression.n} values, ${regression.df} degrees of freedom`,
    ...residualWords(regression, regression.tests).map((sentence) => `  ${sentence}`),
  ]
}

/** How such forecasts would have done, and what is to be said of it. */
function checkLines({ check, series, findings }: Result): string[] {
  if (!check?.verdict) return []
  const { coverage } = check
  const own = new Set(check.findings)
  return [
    '\nHow such forecasts would have done',
    `  ${verdictLine(check.verdict, series.unit, cycleOfResult({ series }))}`,
    ...coverage.map(
      ({ level, inUse: { pooled } }) => `  The ${level}% limits held ${percent(pooled.share)}.`,
    ),
    ...findings.filter((one) => own.has(one)).map(({ text }) => `  ${text}`),
  ]
}

/** Without and with the season, with the widest limits. */
function forecastLines(result: Result): string[] {
  const { forecast, method, series, regression } = result
  const calendar = calendarOfResult(result)
  const widest = method.forecast.levels.at(-1)
  const limits = widest === undefined ? null : forecast.limits[widest]!
  const plain = regression ? 'no season' : 'deseasonalized'
  return [
    `Forecast in ${series.unit}`,
    `  ${'period'.padEnd(10)}${plain.padStart(15)}${'forecast'.padStart(12)}${limits ? `${widest}% from`.padStart(12) + 'to'.padStart(12) : ''}`,
    ...forecast.period.map(
      (code, i) =>
        `  ${periodLabel(parsePeriod(code, calendar)!, calendar).padEnd(10)}${fixed(forecast.deseasonalized[i]!, 0, 15)}${fixed(forecast.forecast[i]!, 0, 12)}` +
        (limits ? fixed(limits.lower[i]!, 0, 12) + fixed(limits.upper[i]!, 0, 12) : ''),
    ),
  ]
}

/** Years and quarters beside the same a year before. */
function totalLines(result: Result): string[] {
  const rows = totalsOf(result).flatMap((totals) => totals.rows)
  return [
    `${result.series.quantity === 'level' ? 'Means' : 'Totals'} in ${result.series.unit}, beside a year before`,
    ...rows.map(
      ({ label, total, gap, before, change }) =>
        `  ${label.padEnd(10)}${gap ? ` ${gap} has no value`.padStart(12) : fixed(total, 0, 12)}${fixed(before, 0, 12)}${change === null ? '' : `${change < 0 ? '' : '+'}${(100 * change).toFixed(1)}%`.padStart(9)}`,
    ),
  ]
}

function fixed(value: number | null, digits: number, width: number): string {
  return (value === null ? '' : value.toFixed(digits)).padStart(width)
}

function percent(share: number | null): string {
  return share === null ? 'undefined' : `${(share * 100).toFixed(1)}%`
}
