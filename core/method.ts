import type { MISSING_RULES, MissingRule } from './care/fillMissing'
import type { Exclusion } from './decompose/commonOptions'
import {
  decomposeBy,
  type DecompositionDocument,
  type DecompositionName,
  type DecompositionOptions,
} from './decompose/ways'
import type { MethodChange } from './finding'
import type { ForecastOptions } from './forecast/ways'
import type { Model } from './model'

export const METHOD_FORMAT = 'elvant-method/1'

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
  /** From the first period and to the last where an end is left out. */
  readonly span?: Partial<Span>
  readonly missing?: (typeof MISSING_RULES)[number]
  readonly decompose?: DecompositionDocument
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

/** A method as it was run: every default filled in, and nothing in it that is not built. */
export interface Method {
  readonly format: typeof METHOD_FORMAT
  readonly span: Span
  readonly missing: MissingRule
  readonly decompose: DecompositionOptions
  readonly trend: { readonly form: 'linear'; readonly last?: number }
  readonly forecast: ForecastOptions
}

/** The values that are left out of their season; none where there is no season to leave them out of. */
export function exclusionsOf({ decompose }: Pick<Method, 'decompose'>): readonly Exclusion[] {
  return 'exclude' in decompose ? decompose.exclude : []
}

/**
 * A method with a part of it changed. A key that is undefined takes its default again; another way of
 * decomposing leaves behind what it does not know.
 *
 * @example changed({ format, decompose: { by: 'stl', robust: false } }, { decompose: { by: 'none' } })
 *   // { format, decompose: { by: 'none' } }
 */
export function changed(document: MethodDocument, change: MethodChange): MethodDocument {
  const next: Record<string, unknown> = { ...document }
  for (const [part, value] of Object.entries(change)) {
    next[part] = isPlain(value) ? merged(next[part], value) : value
  }
  const by = (change.decompose as { by?: DecompositionName } | undefined)?.by
  if (by) next.decompose = decomposeBy(by, next.decompose as DecompositionDocument)
  return next as unknown as MethodDocument
}

/** One object over another; what is undefined goes. */
function merged(before: unknown, change: Readonly<Record<string, unknown>>) {
  const both = { ...(isPlain(before) ? before : {}), ...change }
  return Object.fromEntries(Object.entries(both).filter(([, value]) => value !== undefined))
}

function isPlain(value: unknown): value is Readonly<Record<string, unknown>> {
  return value !== null && typeof value === 'object' && !Array.isArray(value)
}
