import { analyse } from '../analyse'
import type { Limits } from '../forecast/limits'
import type { MethodDocument } from '../method'
import type { Result } from '../result'
import type { Series } from '../series/series'

/** A forecast with its limits, one entry a period in every list. */
export interface FrozenFigures {
  readonly forecast: readonly number[]
  /** Keyed by level in per cent. */
  readonly limits: Readonly<Record<string, Limits>>
}

/** The figures of a forecast as they were handed over. */
export interface FrozenForecast extends FrozenFigures {
  /** Period codes. */
  readonly period: readonly string[]
  /** Before the analyst's assumptions bent it; null where nothing was assumed. */
  readonly statistical: FrozenFigures | null
}

/** A forecast that was kept: what it was made of, and what it came to. Nothing of it is ever altered. */
export interface KeptForecast {
  /** As it was then, with its adjustments. */
  readonly series: Series
  readonly method: MethodDocument
  readonly forecast: FrozenForecast
}

/**
 * The figures that a method comes to on a series, to be kept; the check that it may ask for is none of them.
 *
 * @throws Refusal as the method does
 */
export function freeze(series: Series, method: MethodDocument): FrozenForecast {
  return frozen(analyse(series, { ...method, check: undefined }))
}

/** What is kept of a result: the figures that others plan on. */
export function frozen({ forecast, assumed }: Result): FrozenForecast {
  const figures = ({ forecast: point, limits }: FrozenFigures): FrozenFigures => ({
    forecast: point,
    limits,
  })
  return {
    period: forecast.period,
    ...figures(forecast),
    statistical: assumed ? figures(assumed.statistical) : null,
  }
}
