import { countPeriods, oneCycle } from '../calendar/labels'
import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import { figure } from '../words/figure'

/** @throws Refusal when the calendar has no season at all */
export function requireSeasons({ calendar }: Pick<Stretch, 'calendar'>): void {
  if (calendar.seasons >= 2) return
  throw new Refusal(
    'A yearly series has no season to take out: a decomposition needs at least two seasons a year.',
    'series.frequency',
  )
}

/** @throws Refusal when the stretch is shorter than two full years, or has no season at all */
export function requireTwoYears(stretch: Stretch): void {
  requireSeasons(stretch)
  const { calendar, values } = stretch
  const needed = 2 * calendar.seasons
  if (values.length < needed) {
    throw new Refusal(
      `Too short: a decomposition needs at least two full ${oneCycle(calendar)}s (${countPeriods(needed, calendar)}); there are ${values.length}.`,
      'series',
    )
  }
}

/** @throws Refusal naming the first period whose value is 0 or below */
export function requirePositive(stretch: Stretch): void {
  const at = stretch.values.findIndex((value) => value !== null && value <= 0)
  if (at < 0) return
  const { code, label, names } = stretch.periodOf(at)
  throw new Refusal(
    `The multiplicative model needs every value above 0; ${label} is ${figure(stretch.values[at]!)}. Choose the additive model, or correct the value.`,
    code,
    names,
  )
}

/** @throws Refusal naming the first period in which a trend line is 0 or below */
export function requirePositiveLine(stretch: Stretch, line: readonly Value[]): void {
  const at = line.findIndex((value) => value !== null && value <= 0)
  if (at < 0) return
  const { code, label, names } = stretch.periodOf(at)
  throw new Refusal(
    `The trend line is not above 0 everywhere (first in ${label}), so ratios to it have no meaning. Choose the additive model or the ratio to a moving average.`,
    code,
    names,
  )
}

/** @throws Refusal naming every season without a value to fit to */
export function requireEverySeason(stretch: Stretch, values: readonly Value[]): void {
  const { calendar, seasonOf, seasonName } = stretch
  const present = new Set(seasonOf.filter((_, i) => values[i] !== null))
  const empty = Array.from({ length: calendar.seasons }, (_, k) => k + 1).filter(
    (season) => !present.has(season),
  )
  if (empty.length === 0) return
  throw new Refusal(
    `No value is left to fit to for ${empty.map(seasonName).join(', ')}: every season needs at least one that is neither missing nor left out.`,
    stretch.values.every((value, i) => value === values[i]) ? 'series.values' : 'decompose.exclude',
    { seasons: empty },
  )
}
