import { describe, expect, it } from 'vitest'
import { weekdayOf } from '../../calendar/civil'
import { readDay } from '../../calendar/rhythms/days'
import {
  datesFromEaster,
  HANG_ON_EASTER,
  LEAST_FROM_EASTER,
  MOST_FROM_EASTER,
  nameFromEaster,
} from './fromEaster'

const CENTURIES = { first: 1900, last: 2199 }

describe('a day that hangs on Easter', () => {
  it('falls on its dates', () => {
    const years = { first: 2024, last: 2025 }
    const dates = (name: string) =>
      datesFromEaster(HANG_ON_EASTER.find((one) => one.name === name)!.days, years)
    expect(dates('Good Friday')).toEqual(['2024-03-29', '2025-04-18'])
    expect(dates('Ascension Day')).toEqual(['2024-05-09', '2025-05-29'])
    expect(dates('Whit Sunday')).toEqual(['2024-05-19', '2025-06-08'])
    expect(dates('Corpus Christi')).toEqual(['2024-05-30', '2025-06-19'])
  })

  it('is the same day of the week in every year, and lies in that year', () => {
    const weekdays = HANG_ON_EASTER.map(({ days }) => [
      ...new Set(datesFromEaster(days, CENTURIES).map((date) => weekdayOf(readDay(date)!))),
    ])
    // Tuesday, Friday, Monday, Thursday, Sunday, Monday, Thursday.
    expect(weekdays).toEqual([[1], [4], [0], [3], [6], [0], [3]])
    for (const days of [LEAST_FROM_EASTER, MOST_FROM_EASTER]) {
      datesFromEaster(days, CENTURIES).forEach((date, i) =>
        expect(date.slice(0, 4)).toBe(String(1900 + i)),
      )
    }
  })

  it('has a name of its own, or is called by how far it lies', () => {
    expect([-2, 0, -1, 12].map(nameFromEaster)).toEqual([
      ...['Good Friday', 'Easter Sunday', '1 day before Easter', '12 days after Easter'],
    ])
  })
})
