import type { Calendar } from '../../core/calendar/calendar'
import { axisOf } from '../../core/calendar/axis'
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
  // Of a straight line every other of its slope is a mean.
  const sources = all.filter(({ series }) => !isStraight(series.values))
  for (const own of all) {
    const rounded = 0.5 * 10 ** -decimalsOf(own.series.values)
    for (const source of sources) {
      if (source === own || found.has(source)) continue
      const how = howMade(own.series, source.series, rounded, calendar)
      if (how === null) continue
      found.set(own, `${how} of "${source.series.name.slice(0, 60)}"`)
      break
    }
  }
  return found
}

function isStraight(values: readonly Value[]): boolean {
  return values.every((value, i) => {
    const [before, two] = [values[i - 1] ?? null, values[i - 2] ?? null]
    if (value === null || before === null || two === null) return true
    return Math.abs(value - 2 * before + two) <= ROUNDED * (1 + Math.abs(value))
  })
}

/** @param rounded half a unit of the last decimal that the series is written with, as means are */
function howMade(own: Series, source: Series, rounded: number, calendar: Calendar): string | null {
  const shift = axisOf(source).tOf(own.start) - 1
  const at = (i: number): Value => source.values[i + shift] ?? null
  if (isSoFar(own, at, calendar)) return 'all so far'
  const { values } = own
  const [last, middle] = [values.length - 1, Math.floor(values.length / 2)]
  let behind: Value = at(last)
  let around: Value = at(middle)
  for (let count = 2; count <= LONGEST; count++) {
    behind = plus(behind, at(last - count + 1))
    const half = (count - 1) / 2
    const isOdd = count % 2 === 1
    if (isOdd) around = plus(plus(around, at(middle - half)), at(middle + half))
    // One value tells of almost all that they are not made so.
    const isSum = isNear(values[last], behind, 0)
    if (isSum && isEach(values, (i) => windowOf(at, i - count + 1, count), 0))
      return `the sum of the last ${count}`
    const isMean = isNear(values[last], divided(behind, count), rounded)
    if (
      isMean &&
      isEach(values, (i) => divided(windowOf(at, i - count + 1, count), count), rounded)
    )
      return `the mean of the last ${count}`
    const isAround = isOdd && isNear(values[middle], divided(around, count), rounded)
    if (isAround && isEach(values, (i) => divided(windowOf(at, i - half, count), count), rounded))
      return `the mean around each, over ${count},`
  }
  return null
}

function plus(a: Value, b: Value): Value {
  return a === null || b === null ? null : a + b
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

/** Whether a value is what it would be; true where one of them is not known. @param within half a unit of the last decimal, 0 for exact */
function isNear(value: Value | undefined, expected: Value, within: number): boolean {
  if (value === null || value === undefined || expected === null) return true
  return Math.abs(value - expected) <= within + ROUNDED * (1 + Math.abs(expected))
}

/** Whether every value is what it would be, wherever that is known, in enough places and not all of them alike. */
function isEach(values: readonly Value[], said: (i: number) => Value, within: number): boolean {
  if (!values.every((value, i) => isNear(value, said(i), within))) return false
  const known = values.filter((value, i) => value !== null && said(i) !== null).length
  return known >= FEWEST && new Set(values).size > 2
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
