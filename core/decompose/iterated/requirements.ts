import type { Model } from '../../model'
import { Refusal } from '../../refusal'
import type { Stretch } from '../../series/stretch'
import { figure } from '../../words/figure'
import type { Adjustable, IteratedOptions } from './adjustable'
import type { ExtremeLimits } from './extremes'
import { hendersonLengths } from './hendersonFilter'
import { SEASONAL_FILTERS, type SeasonalFilterName } from './seasonalFilters'

export const FEWEST_YEARS = 3

const BY_NUMBER: Stretch['periodOf'] = (entry) => ({
  ...{ code: 'series.values', label: `Period ${entry + 1}`, names: { t: entry + 1 } },
})

/**
 * The values of a series that can be adjusted by moving averages.
 *
 * @throws Refusal naming what stands against it
 */
export function requireAdjustable(
  { seasons, values, extension = [], nameOf = BY_NUMBER }: Adjustable,
  model: Model,
  { seasonal, henderson, limits }: IteratedOptions,
): number[] {
  requireMonthsOrQuarters(seasons)
  const needed = FEWEST_YEARS * seasons
  if (values.length < needed) {
    throw new Refusal(
      `Too short: iterated averages need ${FEWEST_YEARS} full years (${needed} periods); there are ${values.length}.`,
      'series',
      { periodsNeeded: needed },
    )
  }
  const missing = values.findIndex((value) => value === null)
  if (missing >= 0) {
    const { code, label, names } = nameOf(missing)
    throw new Refusal(
      `${label} has no value, and iterated averages go over every period: fill missing values, or let the span begin after it.`,
      code,
      names,
    )
  }
  const all = [...(values as readonly number[]), ...extension]
  const below = model === 'multiplicative' ? all.findIndex((value) => value <= 0) : -1
  if (below >= 0) {
    const { code, label, names } = nameOf(below)
    throw new Refusal(
      `${label} is ${figure(all[below]!)}, and a multiplicative season needs values above 0; decompose it additively.`,
      code,
      names,
    )
  }
  if (extension.length > seasons) {
    throw new Refusal(
      `${extension.length} periods are appended; a year, ${seasons}, is the most.`,
      'decompose.extension',
      { options: ['extension'] },
    )
  }
  requireLimits(limits)
  if (seasonal !== null) requireFilter(seasonal)
  if (henderson !== null) requireLength(henderson, seasons)
  return values as number[]
}

/** @throws Refusal for limits of extremes that leave nothing between them */
export function requireLimits({ lower, upper }: ExtremeLimits): void {
  if (upper > lower) return
  throw new Refusal(
    `The upper limit for extremes, ${upper}, must lie above the lower, ${lower}.`,
    'decompose.upper',
    { options: ['upper', 'lower'] },
  )
}

/** @throws Refusal for a name that no filter has */
export function requireFilter(name: string): SeasonalFilterName {
  const known = SEASONAL_FILTERS.find((one) => one === name)
  if (known) return known
  throw new Refusal(
    `There is no seasonal filter ${name}; there is ${SEASONAL_FILTERS.join(', ')}.`,
    'decompose.seasonal',
    { options: ['seasonal'] },
  )
}

/** @throws Refusal for a length that no trend filter of a series has */
export function requireLength(length: number, seasons: number): void {
  const lengths = hendersonLengths(seasons)
  if (lengths.includes(length)) return
  throw new Refusal(
    `A trend filter has ${lengths.join(', ')} terms, and not ${length}.`,
    'decompose.henderson',
    { options: ['henderson'] },
  )
}

/** @throws Refusal for other seasons than months or quarters */
export function requireMonthsOrQuarters(seasons: number): void {
  if (seasons === 12 || seasons === 4) return
  throw new Refusal(
    `Iterated averages are made for months and quarters, and not for ${seasons} seasons a year; decompose by another way.`,
    'decompose.by',
    { seasonsInYear: seasons },
  )
}
