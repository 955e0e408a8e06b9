import { countPeriods, periodLabel } from '../calendar/labels'
import { formatPeriod, parsePeriod, periodAt, periodsBetween } from '../calendar/period'
import { exclusionsOf, type Method, type Span } from '../method'
import type { Series } from '../series/series'
import type { Piece, Word } from '../word'

/** The stretch that is analysed: all of it, or from one period to another. */
export function spanWord({ span }: Method, series: Series): Word {
  const { calendar, start, values } = series
  const periods = values.map((_, i) => periodAt(start, i + 1, calendar.seasons))
  const options = periods.map((period) => ({
    value: formatPeriod(period, calendar),
    text: periodLabel(period, calendar),
  }))
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

/** `all 120 months`, `84 months from Jan 2018 to Dec 2024` */
function spanWords(span: Span, { calendar, start, values }: Series): string {
  const period = (code: string) => parsePeriod(code, calendar)!
  const count = periodsBetween(period(span.from), period(span.to), calendar.seasons) + 1
  const isWhole = count === values.length && span.from === formatPeriod(start, calendar)
  const label = (code: string) => periodLabel(period(code), calendar)
  return isWhole
    ? `all ${countPeriods(count, calendar)}`
    : `${countPeriods(count, calendar)} from ${label(span.from)} to ${label(span.to)}`
}

/** `, 2 values left out`; nothing where none is. */
export function exclusionPieces(method: Method): Piece[] {
  const count = exclusionsOf(method).length
  if (count === 0) return []
  const text = `${count} ${count === 1 ? 'value' : 'values'} left out`
  return [', ', { id: 'exclude', text, ask: { kind: 'own' } }]
}
