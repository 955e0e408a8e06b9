import { isWhole } from '~~/core/beside/rest'
import { countPeriods } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { SeriesStage } from './stage'

/** The series as it is: turns with their distances, rolling figures, what is left without a trend. */
export const look: SeriesStage = {
  needs: 'series',
  label: 'Look',
  focus: ['value'],
  seesWhole: true,
  barHeight: 84,
  beside: ({ rolling, rest }) => [
    ...(isWhole(rest) ? [] : [{ kind: 'rest', of: rest } as const]),
    ...(rest.takenOut.by === 'trend' ? [{ kind: 'taken-out', of: rest } as const] : []),
    { kind: 'rolling-mean', order: rolling, of: rest },
    { kind: 'rolling-deviation', order: rolling, of: rest },
  ],
  line: (shown) => {
    const { periods, missing } = shown.series
    const leftOut = shown.adjustments.filter(({ value }) => value === null).length
    const parts = [
      countPeriods(periods, calendarOfResult(shown)),
      ...(missing > 0 || leftOut === 0 ? [`${missing === 0 ? 'none' : missing} missing`] : []),
      ...(leftOut > 0 ? [`${leftOut} left out`] : []),
    ]
    return parts.join(', ')
  },
}
