import { fileURLToPath } from 'node:url'
import { analyse } from '../../core/analyse'
import { periodLabel } from '../../core/calendar/labels'
import { parsePeriod } from '../../core/calendar/period'
import { calendarOfResult } from '../../core/ledger/calendarOfResult'
import type { Result } from '../../core/result'
import { methodSentence, sentenceText } from '../../core/sentence'
import type { Series } from '../../core/series/series'
import { readFile } from '../../intake/readFile'
import { readBytes } from '../files'
import { print } from '../output'

const FILE = fileURLToPath(new URL('../../demo/files/exterior-paint.csv', import.meta.url))

/** Runs Quillfield's exterior paint through the default method and prints what an analyst reads. */
export function example(): void {
  const reading = readFile(readBytes(FILE))
  if (reading.outcome !== 'ok') throw new Error('The demo file cannot be read.')
  const { series } = reading.series[0]!
  print(report(series, analyse(series, { format: 'elvant-method/1' })))
}

/** The indices, the trend and the forecast of a result, as a page of text. */
export function report(of: Series, result: Result): string {
  const { series, seasons, trendFit, forecast, method, decomposition } = result
  const calendar = calendarOfResult(result)
  const label = (code: string) => periodLabel(parsePeriod(code, calendar)!, calendar)
  const widest = method.forecast.levels.at(-1)
  const limits = widest === undefined ? null : forecast.limits[widest]!
  const lines = [
    `${series.name}, ${series.unit}, ${series.frequency}, ${label(series.start)} to ${label(series.end)}: ${series.periods} periods, ${series.missing} missing`,
    sentenceText(methodSentence(method, of)),
    '',
    'Seasonal indices',
    ...seasons.map((row) => `  ${row.label.padEnd(4)} ${fixed(row.index, 4, 9)}  ${row.reading}`),
    ...('rawIndexMean' in decomposition
      ? [`  mean of the raw indices ${decomposition.rawIndexMean.toFixed(4)}`]
      : []),
    '',
    'Trend of the deseasonalized series',
    `  ${trendFit.equation}   (t = 1 in ${label(series.start)})`,
    `  R² ${percent(trendFit.r2Before)} before deseasonalizing, ${percent(trendFit.r2)} after`,
    '',
    `Forecast in ${series.unit}`,
    `  ${'period'.padEnd(10)}${'deseasonalized'.padStart(15)}${'forecast'.padStart(12)}${limits ? `${widest}% from`.padStart(12) + 'to'.padStart(12) : ''}`,
    ...forecast.period.map(
      (code, i) =>
        `  ${label(code).padEnd(10)}${fixed(forecast.deseasonalized[i]!, 0, 15)}${fixed(forecast.forecast[i]!, 0, 12)}` +
        (limits ? fixed(limits.lower[i]!, 0, 12) + fixed(limits.upper[i]!, 0, 12) : ''),
    ),
    '',
    'Worth knowing',
    ...result.findings.map(({ text }) => `  ${text}`),
  ]
  return lines.join('\n') + '\n'
}

function fixed(value: number | null, digits: number, width: number): string {
  return (value === null ? '' : value.toFixed(digits)).padStart(width)
}

function percent(share: number | null): string {
  return share === null ? 'undefined' : `${(share * 100).toFixed(1)}%`
}
