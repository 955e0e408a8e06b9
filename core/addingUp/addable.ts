import { axisOf } from '../calendar/axis'
import { countPeriods, onePeriod } from '../calendar/labels'
import { periodsBehind } from '../catalogue/behind'
import { asAnalysed } from '../series/asAnalysed'
import type { Series, Value } from '../series/series'

/** A series that is no part of the sum, and why. */
export interface LeftOut {
  readonly name: string
  readonly because: string
}

/** Those of some series that add up. */
export interface Addable<T> {
  /** With their values as they are analysed, up to the last period of all. */
  readonly all: readonly T[]
  readonly leftOut: readonly LeftOut[]
}

/**
 * Those of some series that add up: of one rhythm and unit, that of the most of them; amounts, as prices and stocks have no sum;
 * and with values as far as the latest, as a sum that lacks one of its parts is none.
 *
 * @example 9 articles in pieces to Dec 2025, one in litres, one that ends in Oct: the nine
 */
export function addable<T extends { readonly series: Series }>(all: readonly T[]): Addable<T> {
  const amounts = all.filter(({ series }) => series.quantity !== 'level')
  const kind = mostOf(amounts.map(({ series }) => kindOf(series)))
  const isAlike = ({ series }: T) => series.quantity !== 'level' && kindOf(series) === kind
  const alike = all.filter(isAlike)
  const whole = alike.map((one) => ({ ...one, series: asAnalysed(one.series) }))
  const behind = periodsBehind(
    whole.map(({ series: { calendar, start, values } }) => ({
      ...{ calendar, start, last: values.length },
    })),
  )
  const [first] = alike
  const others = all
    .filter((one) => !isAlike(one))
    .map(({ series }) => ({ name: series.name, because: whyOther(series, first!.series) }))
  const early = whole.flatMap(({ series }, i) =>
    behind[i] === 0 ? [] : [{ name: series.name, because: endsEarly(series, behind[i]!) }],
  )
  return { all: whole.filter((_, i) => behind[i] === 0), leftOut: [...others, ...early] }
}

function kindOf({ calendar: { frequency, seasons }, unit }: Series): string {
  return `${frequency} ${seasons} ${unit.trim()}`
}

/** What stands most often, the first of those that do. */
function mostOf(kinds: readonly string[]): string | undefined {
  const counts = new Map<string, number>()
  for (const kind of kinds) counts.set(kind, (counts.get(kind) ?? 0) + 1)
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0]
}

function whyOther(series: Series, most: Series | undefined): string {
  if (series.quantity === 'level') return 'it holds at a time, and does not add up'
  const [own, other] = [series.calendar, most!.calendar]
  if (own.frequency !== other.frequency || own.seasons !== other.seasons) {
    return `its periods are others: one is a ${onePeriod(own)}`
  }
  return `it is counted in ${series.unit || 'no unit'}, the others in ${most!.unit || 'none'}`
}

function endsEarly({ calendar, start, values }: Series, behind: number): string {
  const end = axisOf({ calendar, start }).label(values.length)
  return `it ends in ${end}, ${countPeriods(behind, calendar)} before the others`
}

/**
 * The sum of series that end in the same period, from the first value of any of them on: what has not begun yet counts for
 * nothing, and where one lacks a value in between the sum has none.
 *
 * @param all at least one
 * @example 10, 20, 30 from Jan and 5, 6 from Feb: 10, 25, 36
 */
export function sumOfSeries(name: string, all: readonly Series[]): Series {
  const [one] = all
  const lengths = all.map(lengthOf)
  const periods = Math.max(...lengths)
  const values = Array.from({ length: periods }, (_, i): Value => {
    let sum = 0
    for (const [at, { values: own }] of all.entries()) {
      const back = periods - i
      if (back > lengths[at]!) continue
      const value = own[own.length - back]!
      if (value === null) return null
      sum += value
    }
    return sum
  })
  const { calendar, start, values: own, unit, noun } = one!
  const first = axisOf({ calendar, start }).periodAt(own.length - periods + 1)
  return { name, unit, noun, calendar, start: first, values, adjustments: [] }
}

/** Periods from the first value on. */
function lengthOf({ values }: Series): number {
  return values.length - values.findIndex((value) => value !== null)
}
