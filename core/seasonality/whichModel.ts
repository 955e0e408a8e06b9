import type { Axis } from '../calendar/axis'
import type { Model } from '../model'
import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { centredAverage } from '../smoothing/movingAverage'
import { mean } from '../statistics/average'
import { standardDeviation } from '../statistics/spread'
import { byYear } from './byYear'

/** How even the yearly swing is under each model. */
export interface WhichModel {
  /** The full years that were compared. */
  readonly years: readonly number[]
  /** Highest less lowest y − T of each year, in units of the series. */
  readonly differences: readonly number[]
  /** Highest less lowest y ÷ T; null when a value is not above 0. */
  readonly ratios: readonly number[] | null
  /** Spread of those over the years, as a share of their mean; undefined when the mean is 0. */
  readonly variation: { readonly additive: Value; readonly multiplicative: Value }
  /** The model whose swing is more even; null without a verdict. */
  readonly better: Model | null
  /** Whether the two are within a tenth of each other; null without a verdict. */
  readonly close: boolean | null
}

const FEWEST_YEARS = 3
const CLOSE = 1.1

/**
 * Which model fits: does the yearly swing around the moving average stay the same as an amount (additive) or
 * as a share (multiplicative)?
 *
 * Over the full calendar years in which the centred average is defined, the range of y − T and of y ÷ T is
 * taken each year; the model whose range varies less from year to year fits better.
 *
 * @param values one a period, null = missing
 * @param axis whose time code 1 is that of the first entry
 * @throws Refusal with fewer than three such years
 * @example swings of 305, 372, 421, 471 litres against 0.766, 0.796, 0.781, 0.762: multiplicative
 */
export function whichModel(values: readonly Value[], axis: Axis): WhichModel {
  const average = centredAverage(values, axis.calendar.seasons)
  const isPositive = values.every((value) => value === null || value > 0)
  const ranges = (departure: (value: number, level: number) => number) =>
    byYear(
      values.map((value, i) =>
        value === null || average[i] === null ? null : departure(value, average[i]!),
      ),
      axis,
    ).flatMap(({ year, values: own }) => {
      if (own.includes(null)) return []
      const full = own as readonly number[]
      return [{ year, range: Math.max(...full) - Math.min(...full) }]
    })
  const differences = ranges((value, level) => value - level)
  if (differences.length < FEWEST_YEARS) {
    throw new Refusal(
      `Comparing the models needs three full years in which the moving average is defined for every season; there are ${differences.length}.`,
      'series',
    )
  }
  const ratios = isPositive ? ranges((value, level) => value / level) : null
  const variationOf = (list: readonly { range: number }[]): Value => {
    const all = list.map(({ range }) => range)
    const centre = mean(all)!
    return centre === 0 ? null : standardDeviation(all)! / centre
  }
  const additive = variationOf(differences)
  const multiplicative = ratios && variationOf(ratios)
  return {
    years: differences.map(({ year }) => year),
    differences: differences.map(({ range }) => range),
    ratios: ratios && ratios.map(({ range }) => range),
    variation: { additive, multiplicative },
    ...verdict(additive, multiplicative),
  }
}

function verdict(additive: Value, multiplicative: Value): Pick<WhichModel, 'better' | 'close'> {
  if (additive === null) return { better: null, close: null }
  if (multiplicative === null) return { better: 'additive', close: false }
  const [small, large] = [additive, multiplicative].sort((a, b) => a - b) as [number, number]
  return {
    better: multiplicative < additive ? 'multiplicative' : 'additive',
    close: large <= CLOSE * small,
  }
}
