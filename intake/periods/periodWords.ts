import { calendarOf } from '../../core/calendar/calendar'
import { periodLabel, seasonLabel } from '../../core/calendar/labels'
import type { PeriodReading } from './periodReading'
import { SEASONS } from './seasonNames'

/**
 * A period in words, as exactly as its cell tells it.
 *
 * @example periodWords({ kind: 'day', year: 2021, month: 3, day: 14 }) // '14 Mar 2021'
 */
export function periodWords(reading: PeriodReading): string {
  const { year } = reading
  switch (reading.kind) {
    case 'day':
      return `${reading.day} ${periodWords({ kind: 'month', year, month: reading.month })}`
    case 'week':
      return `week ${reading.week} of ${year}`
    case 'month':
      return periodLabel({ cycle: year, season: reading.month }, calendarOf('monthly'))
    case 'quarter':
      return periodLabel({ cycle: year, season: reading.quarter }, calendarOf('quarterly'))
    case 'half-year':
      return periodLabel({ cycle: year, season: reading.half }, calendarOf('half-yearly'))
    case 'year':
      return periodLabel({ cycle: year, season: 1 }, calendarOf('yearly'))
    case 'season':
      return periodLabel(
        { cycle: year, season: reading.season },
        calendarOf('seasons', { seasons: reading.of }),
      )
    case 'named-season':
      return `${SEASONS[reading.season - 1]!} ${year}`
    case 'fiscal':
      return `${fiscalPart(reading)} of the fiscal year ${year}`
  }
}

function fiscalPart({ period, of }: PeriodReading & { kind: 'fiscal' }): string {
  if (of === 4) return `Q${period}`
  return of === 'months' ? seasonLabel(period, calendarOf('monthly')) : `period ${period}`
}
