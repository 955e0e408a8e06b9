import { countPeriods } from '../calendar/labels'
import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import { axisOf } from '../calendar/axis'
import { exclusionsOf, type Method, type Span } from '../method'
import type { Series } from '../series/series'
import type { Piece, Word } from '../word'

/** The stretch that is analysed: all of it, or from one period to another. */
export function spanWord({ span }: Method, series: Series): Word {
  const options = periodsOf(series)
  return {
    id: 'span',
    text: spanWords(span, series),
    ask: {
      kind: 'fields',
      lead: 'Nothing outside these periods is used; the forecast begins after the last.',
      fields: [
        { kind: 'choice', label: 'from', path: ['span', 'from'], value: span.from, options },
        { kind: 'choice', label: 'to', path: ['span', 'to'], value: span.to, options },
      ],
      usual: { span: undefined },
    },
  }
}

/** Every period of a series, to choose from; of many thousands they are named once, not with every change of the sentence. */
function periodsOf(series: Series): readonly PeriodOption[] {
  const { start, calendar, values } = series
  const known = PERIODS.get(start)
  if (known?.calendar === calendar && known.options.length === values.length) return known.options
  const { codeAt, label } = axisOf(series)
  const options = values.map((_, i) => ({ value: codeAt(i + 1), text: label(i + 1) }))
  PERIODS.set(start, { calendar, options })
  return options
}
interface PeriodOption {
  readonly value: string
  readonly text: string
}
const PERIODS = new WeakMap<
  Period,
  { readonly calendar: Calendar; readonly options: readonly PeriodOption[] }
>()

/** `all 120 months`, `84 months from Jan 2018 to Dec 2024` */
function spanWords(span: Span, series: Series): string {
  const { calendar, tOfCode, label } = axisOf(series)
  const [from, to] = [tOfCode(span.from)!, tOfCode(span.to)!]
  const count = to - from + 1
  return count === series.values.length && from === 1
    ? `all ${countPeriods(count, calendar)}`
    : `${countPeriods(count, calendar)} from ${label(from)} to ${label(to)}`
}

/** `, 2 values left out`; nothing where none is. */
export function exclusionPieces(method: Method): Piece[] {
  const count = exclusionsOf(method).length
  if (count === 0) return []
  const text = `${count} ${count === 1 ? 'value' : 'values'} left out`
  return [', ', { id: 'exclude', text, ask: { kind: 'own' } }]
}
