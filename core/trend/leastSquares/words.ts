import type { Calendar } from '../../calendar/calendar'
import { countPeriods, periodLabel } from '../../calendar/labels'
import { parsePeriod } from '../../calendar/codes'
import type { Piece } from '../../word'
import type { BreakAt, FittedTrendOptions } from './options'

/** ` at Jun 2019`, of a line with breaks. */
export function fittedWords({ breaks }: FittedTrendOptions, calendar: Calendar): Piece[] {
  if (!breaks) return []
  return [' at ', { id: 'breaks', text: breakWords(breaks, calendar), ask: { kind: 'own' } }]
}

/** `Jun 2019`, `Jun 2019 and Mar 2022`, `4 periods` */
function breakWords(breaks: readonly BreakAt[], calendar: Calendar): string {
  const labels = breaks.map(({ period }) => periodLabel(parsePeriod(period, calendar)!, calendar))
  return labels.length > 2 ? countPeriods(labels.length, calendar) : labels.join(' and ')
}
