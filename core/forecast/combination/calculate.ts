import type { Value } from '../../series/series'
import { mean, median } from '../../statistics/average'
import { requireNumbers } from '../beyondNumbers'
import type { MemberFigures } from '../member'
import type { CommonAhead, ForecastBasis, Forecasted } from '../way'
import type { CombinationOptions, CombinedBy } from './options'

/** A forecast that is the mean, or median, of others. */
export interface CombinationForecast extends CommonAhead {
  readonly by: 'combination'
  readonly members: readonly Pick<MemberFigures, 'name' | 'forecast' | 'fitted'>[]
  /** A combination has no residual spread of its own. */
  readonly interval: { readonly df: 0; readonly s: null }
}

/**
 * Forecast by a combination: every member forecasts for itself, and the mean or median is taken period by period.
 *
 * Limits are left undefined here: they come from past errors, which the check makes.
 *
 * @see Bates, J. M. & Granger, C. W. J. (1969), Operational Research Quarterly 20, 451–468
 * @throws Refusal for what any member is refused for
 * @example mean of forecasts 10, 12 and 20: 14; their median: 12
 */
export function forecastByCombination(
  { lastT, calculateMember }: Pick<ForecastBasis, 'lastT' | 'calculateMember'>,
  { of, average, horizon, levels }: CombinationOptions,
): Forecasted<CombinationForecast> {
  const members = of.map(calculateMember)
  const forecast = Array.from({ length: horizon }, (_, i) =>
    combined(
      members.map((one) => one.forecast[i]!),
      average,
    ),
  )
  requireNumbers(forecast)
  const nothing = forecast.map(() => null)
  return {
    ahead: {
      by: 'combination',
      t: forecast.map((_, i) => lastT + 1 + i),
      forecast,
      deseasonalized: nothing,
      members: members.map(({ name, forecast, fitted }) => ({ name, forecast, fitted })),
      limits: Object.fromEntries(
        levels.map((level) => [level, { lower: nothing, upper: nothing }]),
      ),
      interval: { df: 0, s: null },
    },
    fitted: members[0]!.fitted.map((_, i): Value => {
      const own = members.map(({ fitted }) => fitted[i] ?? null)
      return own.includes(null) ? null : combined(own as number[], average)
    }),
    level: null,
    estimated: members.reduce((sum, one) => sum + one.estimated, 0),
    inProportion: members.every((one) => one.inProportion),
    report: () => null,
  }
}

/** The mean or median of at least one figure. */
export function combined(figures: readonly number[], average: CombinedBy): number {
  return average === 'mean' ? mean(figures)! : median(figures)!
}
