import type { Calendar } from '../../core/calendar/calendar'
import { periodsBetween } from '../../core/calendar/period'
import type { Series, Value } from '../../core/series/series'
import type { ReadSeries } from '../reading'

/** Periods that are added up at the most: two years of months. */
const LONGEST = 24
/** Values from which a column is made of another not by chance. */
const FEWEST = 6
/** Series among which it is looked for; each is held against each. */
const MOST_SERIES = 300
const ROUNDED = 1e-9

/** How a series is made of another, in words: `the sum of the last 12 of "Litres"`. */
export type MadeOf = ReadonlyMap<ReadSeries, string>

/**
 * Finds series that are made of another of the same file: its sum or mean over the last so many periods, its mean around each, or
 * all of it so far, from the first period or from each year's.
 *
 * @returns the series that are, with what they are
 * @example of Litres 1, 2, 3, 4, 5, 6, 7, 8 and B –, 3, 5, 7, 9, 11, 13, 15: B is the sum of the last 2 of "Litres"
 */
export function madeOfOthers(all: readonly ReadSeries[], calendar: Calendar): MadeOf {
  const found = new Map<ReadSeries, string>()
  if (all.length > MOST_SERIES) return found
  for (const own of all) {
    for (const source of all) {
      if (source === own || found.has(source)) continue
      const how = howMade(own.series, source.series, calendar)
      if (how === null) continue
      found.set(own, `${how} of "${source.series.name.slice(0, 60)}"`)
      break
    }
  }
  return found
}

function howMade(own: Series, source: Series, calendar: Calendar): string | null {
  const shift = periodsBetween(source.start, own.start, calendar.seasons)
  const at = (i: number): Value => source.values[i + shift] ?? null
  if (isSoFar(own, at, calendar)) return 'all so far'
  for (let count = 2; count <= LONGEST; count++) {
    if (isEach(own.values, (i) => windowOf(at, i - count + 1, count)))
      return `the sum of the last ${count}`
    const mean = (from: number) => (i: number) => divided(windowOf(at, i + from, count), count)
    if (isEach(own.values, mean(1 - count), decimalsOf(own.values)))
      return `the mean of the last ${count}`
    const isOdd = count % 2 === 1
    if (isOdd && isEach(own.values, mean(-(count - 1) / 2), decimalsOf(own.values)))
      return `the mean around each, over ${count},`
  }
  return null
}

function windowOf(at: (i: number) => Value, from: number, count: number): Value {
  let sum = 0
  for (let i = from; i < from + count; i++) {
    const value = at(i)
    if (value === null) return null
    sum += value
  }
  return sum
}

function divided(sum: Value, count: number): Value {
  return sum === null ? null : sum / count
}

/**
 * Whether every value is what it would be, wherever that is known, in enough places and not all of them alike.
 *
 * @param decimals to which values were rounded; exact when left out
 */
function isEach(values: readonly Value[], said: (i: number) => Value, decimals?: number): boolean {
  let count = 0
  for (const [i, value] of values.entries()) {
    const expected = value === null ? null : said(i)
    if (value === null || expected === null) continue
    const within =
      ROUNDED * Math.abs(expected) + (decimals === undefined ? 0 : 0.5 * 10 ** -decimals)
    if (Math.abs(value - expected) > within + ROUNDED) return false
    count++
  }
  return count >= FEWEST && new Set(values).size > 2
}

/** Decimals that the values of a series are written with, six at the most. */
function decimalsOf(values: readonly Value[]): number {
  return values.reduce<number>((most, value) => {
    const [, decimals = ''] = String(value ?? '').split('.')
    return Math.min(6, Math.max(most, decimals.length))
  }, 0)
}

/** Whether each value is the one before and what was new, or new alone where a year begins. */
function isSoFar({ values }: Series, at: (i: number) => Value, calendar: Calendar): boolean {
  let count = 0
  let turns = 0
  for (const [i, value] of values.entries()) {
    const before = values[i - 1] ?? null
    const added = at(i)
    if (value === null || before === null || added === null) continue
    const isOn = Math.abs(value - before - added) <= ROUNDED * Math.abs(value) + ROUNDED
    const isNew = Math.abs(value - added) <= ROUNDED * Math.abs(value) + ROUNDED
    if (!isOn && !isNew) return false
    if (isOn) count++
    else turns++
  }
  return count >= FEWEST && turns <= values.length / Math.max(2, calendar.seasons) + 1
}
