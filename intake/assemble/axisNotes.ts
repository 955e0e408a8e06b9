import { countPeriods } from '../../core/calendar/labels'
import { axisOf } from '../../core/calendar/axis'
import type { Inquiry } from '../inquiry'
import type { ValuedSeries } from '../numbers/readValues'
import type { ReadSeries } from '../reading'
import { dayOf } from './commonCalendar'

/** Says where rows were not in the order of time. */
export function noteOrder(series: readonly ValuedSeries[], inquiry: Inquiry): void {
  for (const { entries } of series) {
    const byLine = [...entries].sort((a, b) => a.at.line - b.at.line || a.at.column - b.at.column)
    const falls = byLine.findIndex(
      ({ at }, i) =>
        i > 0 &&
        dayOf(at.period) < dayOf(byLine[i - 1]!.at.period) &&
        at.line !== byLine[i - 1]!.at.line,
    )
    if (falls < 0 || isTransposed(byLine)) continue
    const isDescending = byLine.every(
      ({ at }, i) => i === 0 || dayOf(at.period) <= dayOf(byLine[i - 1]!.at.period),
    )
    inquiry.note(
      'sorted',
      isDescending
        ? 'The rows run from the newest to the oldest and have been turned round.'
        : 'The rows were not in the order of time and have been sorted.',
      `line ${byLine[falls]!.at.line}`,
    )
    return
  }
}

/** In a matrix with years across, time does not run down the lines. */
function isTransposed(entries: ValuedSeries['entries']): boolean {
  return new Set(entries.map(({ at }) => at.column)).size > 1
}

/** Says which series have periods without a value. */
export function noteGaps(series: readonly ReadSeries[], inquiry: Inquiry): void {
  const withGaps = series.filter(({ missing }) => missing > 0)
  for (const { series: own, missing } of withGaps.slice(0, 10)) {
    const at = own.values.indexOf(null) + 1
    const { label, codeAt } = axisOf(own)
    inquiry.note(
      'missing',
      `"${own.name.slice(0, 80)}" has ${countPeriods(missing, own.calendar)} without a value, the first is ${label(at)}; ${missing === 1 ? 'it is' : 'they are'} kept as missing.`,
      codeAt(at),
    )
  }
  if (withGaps.length > 10) inquiry.note('missing', `So have ${withGaps.length - 10} other series.`)
}

/** Years below this are counted from a first one, and no years of trade. */
const COUNTED_BELOW = 100

/** Says where years are counted 1, 2, 3: nobody may have meant them as years. */
export function noteCountedYears(series: readonly ReadSeries[], inquiry: Inquiry): void {
  const counted = series.find(({ series: { start } }) => start.cycle < COUNTED_BELOW)
  if (!counted) return
  inquiry.note(
    'counted-years',
    `Years are counted from ${counted.series.start.cycle} on, and not those of a calendar.`,
  )
}
