import type { CheckDocument, CheckPlan } from './checkPlan'
import type { Exclusion } from './decompose/commonOptions'
import {
  decomposeBy,
  exclusionsIn,
  type DecompositionDocument,
  type DecompositionName,
  type DecompositionOptions,
} from './decompose/ways'
import type { MethodChange } from './finding'
import type { Model } from './model'
import {
  forecastBy,
  type ForecastDocument,
  type ForecastName,
  type ForecastOptions,
} from './forecast/ways'
import type { PreparationChoices, PreparationDocuments } from './prepare/preparations'
import type { TrendDocument } from './trend/document'
import type { TrendOptions } from './trend/ways'

export const METHOD_FORMAT = 'elvant-method/1'

/** Consecutive periods, both ends included, as period codes. */
export interface Span {
  readonly from: string
  readonly to: string
}

/**
 * The method document `elvant-method/1` as a person or a script writes it: everything but
 * `format` may be left out and takes its default from the series.
 */
export interface MethodDocument extends PreparationDocuments {
  readonly format: typeof METHOD_FORMAT
  /** From the first period and to the last where an end is left out. */
  readonly span?: Partial<Span>
  readonly decompose?: DecompositionDocument
  readonly trend?: TrendDocument
  readonly forecast?: ForecastDocument
  readonly check?: CheckDocument
}

/** A method as it was run: every default filled in. */
export interface Method extends PreparationChoices {
  readonly format: typeof METHOD_FORMAT
  readonly span: Span
  readonly decompose: DecompositionOptions
  readonly trend: TrendOptions
  readonly forecast: ForecastOptions
  /** Only where the document asks for a check. */
  readonly check?: CheckPlan
}

/** The values that are left out of their season; none where there is no season to leave them out of. */
export function exclusionsOf({ decompose }: Pick<Method, 'decompose'>): readonly Exclusion[] {
  return exclusionsIn(decompose) ?? []
}

/**
 * A method with a part of it changed. A key that is undefined takes its default again; another way of
 * decomposing, or of forecasting, leaves behind what it does not know; another model the indices that are given,
 * which are factors of the one and amounts of the other.
 *
 * @example changed({ format, decompose: { by: 'stl', robust: false } }, { decompose: { by: 'none' } })
 *   // { format, decompose: { by: 'none' } }
 */
export function changed(document: MethodDocument, change: MethodChange): MethodDocument {
  const next: Record<string, unknown> = { ...document }
  for (const [part, value] of Object.entries(change)) {
    next[part] = isPlain(value) ? merged(next[part], value) : value
  }
  const { by, model, indices } = (change.decompose ?? {}) as DecompositionChange
  const isOther = model !== undefined && model !== document.decompose?.model
  if (isOther && !indices) next.decompose = merged(next.decompose, { indices: undefined })
  if (by) next.decompose = decomposeBy(by, next.decompose as DecompositionDocument)
  const forecast = (change.forecast as { by?: ForecastName } | undefined)?.by
  if (forecast) next.forecast = forecastBy(forecast, next.forecast as ForecastDocument)
  return next as unknown as MethodDocument
}

interface DecompositionChange {
  readonly by?: DecompositionName
  readonly model?: Model
  readonly indices?: unknown
}

/** One object over another, the objects within them too; what is undefined goes. */
function merged(
  before: unknown,
  change: Readonly<Record<string, unknown>>,
): Readonly<Record<string, unknown>> {
  const both: Record<string, unknown> = { ...(isPlain(before) ? before : {}) }
  for (const [key, value] of Object.entries(change)) {
    both[key] = isPlain(value) ? merged(both[key], value) : value
  }
  return Object.fromEntries(Object.entries(both).filter(([, value]) => value !== undefined))
}

function isPlain(value: unknown): value is Readonly<Record<string, unknown>> {
  return value !== null && typeof value === 'object' && !Array.isArray(value)
}
