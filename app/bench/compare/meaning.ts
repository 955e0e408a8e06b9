import { formatDecimals } from '~/figures/format'
import { withUnit, type DisplayScale } from '~/figures/displayScale'
import type { Result } from '~~/core/result'
import { commonAhead, forecastSum, methodName, robustLeftoverSpread } from './comparison'

/** Methods that leave within this share of each other leave about the same. */
const ABOUT_THE_SAME = 0.1

/**
 * What the figures of compared methods mean for these data, in a line: which leaves least over and by how much, and
 * how far their forecasts are apart. Which model to take is said at Look, and nowhere else.
 *
 * @returns nothing to say for fewer than two methods
 */
export function comparisonWords(results: readonly Result[], scale: DisplayScale): string {
  if (results.length < 2) return ''
  return [leftoverWords(results, scale), forecastWords(results)].filter((words) => words).join(' ')
}

function leftoverWords(results: readonly Result[], scale: DisplayScale): string {
  const left = results
    .map((result) => ({ name: methodName(result), spread: robustLeftoverSpread(result) }))
    .filter((one): one is { name: string; spread: number } => one.spread !== null)
    .sort((a, b) => a.spread - b.spread)
  const [least, most] = [left[0], left.at(-1)]
  if (!least || !most || left.length < 2) return ''
  const amount = (spread: number) => formatDecimals(spread / scale.divisor, scale.decimals + 1)
  if (most.spread - least.spread <= ABOUT_THE_SAME * most.spread) {
    return `All leave about the same over: ${amount(least.spread)} to ${withUnit(amount(most.spread), scale)}.`
  }
  return `Least is left over by ${least.name}: typically ${withUnit(amount(least.spread), scale)}, where ${most.name} leaves ${amount(most.spread)}.`
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
