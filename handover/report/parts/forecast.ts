import { cycleOfResult } from '../../../core/ledger/calendarOfResult'
import { verdictLine } from '../../../core/check/words'
import { forecastColumns } from '../../../core/ledger/table'
import { limitNamed } from '../../../core/forecast/columns'
import { stripsOfStage } from '../../picture/pictureOfResult'
import { html, type Content, type Markup } from '../markup'
import { pictureIn } from '../figureOf'
import { tableOf } from '../table'
import type { PartOf } from '../study'
import {
  decimalsOfValue,
  stretchAhead,
  stretchesOf,
  totalFigure,
  totalWord,
  valueOf,
  type StretchTotal,
} from '../totals'

const HEIGHT = 320

/** What will come: in one sentence, as a picture, in totals against last year, with limits, and how such forecasts did. */
export function forecastPart(of: PartOf): Markup {
  const { result, says, choices } = of
  const isWhole = choices.length !== 'page'
  const verdict = result.check?.verdict
  return html`<p class="lead">${aheadSentence(of)}</p>
    ${pictureIn(of, stripsOfStage(result, 'project', says), HEIGHT)} ${totalsTable(of, 'year')}
    ${isWhole ? totalsTable(of, 'quarter') : null} ${limitsTable(of)}
    ${verdict ? html`<p>${says.inText(verdictLine(verdict, result.series.unit, cycleOfResult(result)))}</p>` : null}`
}

/** `12 months, Jul 2026 to Jun 2027: 573,000 litres in all, 3.1% more than the same months a year before.` */
function aheadSentence({ workings, result }: PartOf): Content {
  const ahead = stretchAhead(result)
  const { unit } = result.series
  const { per } = workings.ledger.run
  const count = ahead.to - ahead.from + 1
  const own = totalFigure(workings, ahead, 'own')
  const change = valueOf(ahead.arithmetic.change)
  if (!own) return null
  const word = totalWord(result) === 'mean' ? 'on average' : 'in all'
  const many = count === 1 ? `1 ${per}, ` : `${count} ${per}s, `
  return html`${many}${ahead.label}:
    <strong>${own} ${unit}</strong
    >${count === 1 ? '' : ` ${word}`}${change === null ? '' : html`, ${changed(workings, ahead, change)} than a year before`}.`
}

function changed(workings: PartOf['workings'], stretch: StretchTotal, change: number): Markup {
  const size = workings.says.change(Math.abs(change)).replace('+', '')
  return html`${totalFigure(workings, stretch, 'change', size)} ${change < 0 ? 'less' : 'more'}`
}

function totalsTable({ workings, result }: PartOf, by: 'year' | 'quarter'): Markup | null {
  const rows = stretchesOf(result, by)
  if (rows.length === 0) return null
  const word = totalWord(result)
  return tableOf({
    caption: `${word === 'mean' ? 'Means' : 'Totals'} by ${by}, ${result.series.unit}`,
    head: [by, word, 'a year before', 'change', 'of it forecast'],
    rows: rows.map((row) => [
      row.label,
      totalFigure(workings, row, 'own') ?? '–',
      totalFigure(workings, row, 'before') ?? '–',
      totalFigure(workings, row, 'change') ?? '–',
      `${row.forecast} of ${row.to - row.from + 1}`,
    ]),
  })
}

/** The forecast of every period with its limits; of a page those of the periods that fit. */
function limitsTable({ workings, result, says, choices }: PartOf): Markup | null {
  const { label, lastT, endT } = workings.ledger.run
  const columns = forecastColumns(result).filter(
    ({ column }) => column.name === 'forecast' || limitNamed(column.name),
  )
  const decimals = decimalsOfValue(result)
  const most = choices.length === 'page' ? 6 : Math.max(12, result.series.seasons)
  const last = Math.min(endT, lastT + most)
  const periods = Array.from({ length: last - lastT }, (_, i) => lastT + 1 + i)
  const rest = endT > last ? `; the first ${periods.length} of ${endT - lastT}` : ''
  return tableOf({
    caption: `Forecast with limits, ${result.series.unit}${rest}`,
    head: [workings.ledger.run.per, ...columns.map(({ column }) => says.inText(column.label))],
    rows: periods.map((t) => [
      label(t),
      ...columns.map(({ column }) => {
        const value = workings.ledger.run.value(column.name, t)
        return value === null
          ? '–'
          : workings.figure({ column: column.name, t }, says.decimals(value, decimals))
      }),
    ]),
  })
}
