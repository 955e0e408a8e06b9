import { withUnit, type DisplayScale } from '~~/core/words/displayScale'
import { formatDecimals, inReadersFigures } from '~/figures/format'
import { offWords } from '~~/core/check/words'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { commonAhead, forecastSum, robustLeftoverSpread } from '../pins/comparison'
import { comparedAmount } from './figures'
import type { PastForecasts } from './pastForecastStore'

/** Methods that leave, or are off, within this share of each other do about the same. */
const ABOUT_THE_SAME = 0.1

/** One of the compared methods, by its name. */
export interface Named {
  readonly name: string
  readonly result: Result
  readonly past: PastForecasts
}

/**
 * What the figures of compared methods mean for these data, in a line: whose forecasts would have been nearest, whose fit is
 * the closest, which decomposition leaves least over where they differ, and how far the forecasts are apart. Which model to
 * take is said at Look, and nowhere else.
 *
 * @returns nothing to say for fewer than two methods
 */
export function comparisonWords(methods: readonly Named[], scale: DisplayScale): string {
  if (methods.length < 2) return ''
  const results = methods.map(({ result }) => result)
  return [
    pastWords(methods, results[0]!.series.unit),
    extremes(methods, scale, {
      of: ({ accuracy }) => accuracy.fitted.mae,
      first: (name, amount) => `The closest fit is that of ${name}, off by ${amount} on average`,
      last: (name, amount) => `that of ${name} by ${amount}`,
      alike: (from, to) => `All fits are about as close, off by ${from} to ${to} on average`,
    }),
    extremes(methods, scale, {
      of: robustLeftoverSpread,
      first: (name, amount) => `Least is left over by ${name}: typically ${amount}`,
      last: (name, amount) => `where ${name} leaves ${amount}`,
      alike: (from, to) => `All leave about the same over: ${from} to ${to}`,
    }),
    forecastWords(results),
  ]
    .filter((words) => words)
    .join(' ')
}

/** Whose forecasts would have been nearest, once all are through; by chance alone or not. */
function pastWords(methods: readonly Named[], unit: string): string {
  const ranked = methods
    .flatMap(({ name, past: { row } }) => (row?.off && row.mean !== null ? [{ name, row }] : []))
    .sort((a, b) => a.row.mean! - b.row.mean!)
  const [first, ...others] = ranked
  if (!first || others.length === 0 || ranked.length < methods.length) return ''
  const off = ({ row }: (typeof ranked)[number]) => inReadersFigures(offWords(row.off!, unit))
  const last = others.at(-1)!
  const tied = others.filter(({ row }) => row.tiesWithBest)
  const chance =
    tied.length === 0
      ? ''
      : tied.length < others.length
        ? `; chance does not tell ${tied.map(({ name }) => name).join(' or ')} from it`
        : '; chance alone can make that difference'
  return `Forecasts by ${first.name} would have been nearest, off by ${off(first)}, those by ${last.name} by ${off(last)}${chance}.`
}

/** Something that methods are measured by, and how the least and the most of it are said. */
interface Measure {
  of(result: Result): Value
  first(name: string, amount: string): string
  last(name: string, amount: string): string
  alike(from: string, to: string): string
}

/** Who has the least of a measure and who the most; nothing where it reads the same in all, as that of what they share does. */
function extremes(methods: readonly Named[], scale: DisplayScale, measure: Measure): string {
  const all = methods
    .map(({ name, result }) => ({ name, value: measure.of(result) }))
    .filter((one): one is { name: string; value: number } => one.value !== null)
    .sort((a, b) => a.value - b.value)
  const [first, last] = [all[0], all.at(-1)]
  if (!first || !last || all.length < 2) return ''
  const amount = (value: number) => comparedAmount(value, scale)
  if (amount(first.value) === amount(last.value)) return ''
  return last.value - first.value <= ABOUT_THE_SAME * last.value
    ? `${measure.alike(amount(first.value), withUnit(amount(last.value), scale))}.`
    : `${measure.first(first.name, withUnit(amount(first.value), scale))}, ${measure.last(last.name, amount(last.value))}.`
}

/** How far the sums of the forecasts are apart, over the periods that all of them have. */
function forecastWords(results: readonly Result[]): string {
  const common = commonAhead(results)
  if (!common) return 'Their forecasts have no period in common.'
  const totals = results.map((result) => forecastSum(result, common))
  const [low, high] = [Math.min(...totals), Math.max(...totals)]
  if (!(low > 0)) return ''
  const apart = 100 * (high / low - 1)
  const count = common.to - common.from + 1
  const beginsAlike = results.every(({ forecast }) => forecast.t[0] === common.from)
  const periods = beginsAlike
    ? `the next ${count} periods`
    : count === 1
      ? 'the one period that all of them forecast'
      : `the ${count} periods that all of them forecast`
  return apart < 0.05
    ? `Their forecasts${beginsAlike ? '' : ` for ${periods}`} come to the same sum.`
    : `Their forecasts for ${periods} differ by ${formatDecimals(apart, apart < 10 ? 1 : 0)}% in all.`
}
