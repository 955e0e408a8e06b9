import type { CLASSICAL_WAYS } from './decompose/averages/calculate'
import type { IndexAverage } from './decompose/averages/seasonalIndices'
import type { Model } from './model'

export const METHOD_FORMAT = 'elvant-method/1'

export const DECOMPOSITIONS = [
  'ratio-to-moving-average',
  'simple-averages',
  'ratio-to-trend',
  'stl',
] as const satisfies readonly (ClassicalName | 'stl')[]
type ClassicalName = (typeof CLASSICAL_WAYS)[number]

export const MISSING_RULES = ['leave', 'interpolate', 'seasonal', 'zero'] as const
export const TREND_FORMS = [
  'none',
  'linear',
  'quadratic',
  'cubic',
  'exponential',
  'breaks',
] as const
export const FORECAST_WAYS = ['decomposition', 'regression'] as const
export const SEASON_FORMS = ['none', 'dummies', 'effects', 'fourier', 'dummies-by-trend'] as const
export const BACK_TRANSFORMS = ['median', 'mean', 'smearing'] as const

/** A value that does not count towards its season's index, and why. */
export interface Exclusion {
  /** Period code, `2019-06`. */
  readonly period: string
  readonly reason: string
}

/** Consecutive periods, both ends included, as period codes. */
export interface Span {
  readonly from: string
  readonly to: string
}

/**
 * The method document `elvant-method/1` as a person or a script writes it: everything but
 * `format` may be left out and takes its default from the series.
 */
export interface MethodDocument {
  readonly format: typeof METHOD_FORMAT
  readonly span?: Span
  readonly missing?: (typeof MISSING_RULES)[number]
  readonly decompose?: {
    readonly by?: (typeof DECOMPOSITIONS)[number]
    readonly model?: Model
    readonly average?: IndexAverage
    readonly adjust?: boolean
    readonly exclude?: readonly Exclusion[]
    readonly seasonalWindow?: number | 'periodic'
    readonly trendWindow?: number
    readonly lowPassWindow?: number
    readonly seasonalDegree?: number
    readonly trendDegree?: number
    readonly lowPassDegree?: number
    readonly robust?: boolean
    readonly inner?: number
    readonly outer?: number
  }
  readonly trend?: {
    readonly form?: (typeof TREND_FORMS)[number]
    readonly breaks?: readonly { readonly period: string; readonly level?: boolean }[]
    /** Fit to the last N periods of the span only, missing ones included. */
    readonly last?: number
  }
  readonly forecast?: {
    readonly by?: (typeof FORECAST_WAYS)[number]
    readonly horizon?: number
    /** Coverage of the limits in per cent. */
    readonly levels?: readonly number[]
    readonly season?: (typeof SEASON_FORMS)[number]
    readonly base?: number
    readonly pairs?: number
    readonly model?: Model
    readonly indicators?: readonly {
      readonly name: string
      readonly from: string
      readonly to?: string
    }[]
    readonly steps?: readonly { readonly name: string; readonly from: string }[]
    readonly backTransform?: (typeof BACK_TRANSFORMS)[number]
  }
  readonly check?: {
    readonly holdout?: number
    readonly rolling?: {
      readonly first?: number
      readonly horizon?: number
      readonly step?: number
    }
  }
}

/** Decomposition by averages, as it was run. */
export interface ClassicalMethod {
  readonly by: ClassicalName
  readonly model: Model
  readonly average: IndexAverage
  readonly adjust: boolean
  readonly exclude: readonly Exclusion[]
}

/** Decomposition by robust loess, as it was run. */
export interface LoessMethod {
  readonly by: 'stl'
  readonly model: Model
  readonly exclude: readonly Exclusion[]
  /** n_s, odd and at least 7, in years; `periodic` for a season that never changes. */
  readonly seasonalWindow: number | 'periodic'
  /** n_t and n_l, odd, in periods. */
  readonly trendWindow: number
  readonly lowPassWindow: number
  readonly seasonalDegree: 0 | 1
  readonly trendDegree: 0 | 1
  readonly lowPassDegree: 0 | 1
  /** Whether outliers lose weight. */
  readonly robust: boolean
  readonly inner: number
  readonly outer: number
}

/** A method as it was run: every default filled in, and nothing in it that is not built. */
export interface Method {
  readonly format: typeof METHOD_FORMAT
  readonly span: Span
  readonly missing: (typeof MISSING_RULES)[number]
  readonly decompose: ClassicalMethod | LoessMethod
  readonly trend: { readonly form: 'linear'; readonly last?: number }
  readonly forecast: {
    readonly by: 'decomposition'
    readonly horizon: number
    readonly levels: readonly number[]
  }
}
