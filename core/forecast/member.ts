import type { DecompositionDocument, DecompositionOptions } from '../decompose/ways'
import type { Value } from '../series/series'
import type { TrendDocument } from '../trend/document'
import type { TrendOptions } from '../trend/ways'

/** A method within a method, as a person or a script writes it; span, horizon and limits are those around it. */
export interface MemberDocument {
  readonly decompose?: DecompositionDocument | undefined
  readonly trend?: TrendDocument | undefined
  readonly forecast?:
    { readonly by?: string | undefined; readonly [key: string]: unknown } | undefined
}

/** The same, complete. */
export interface MemberMethod {
  readonly decompose: DecompositionOptions
  readonly trend: TrendOptions
  readonly forecast: { readonly by: string }
}

/** What a method within a method comes to. */
export interface MemberFigures {
  /** In a few words. */
  readonly name: string
  readonly forecast: readonly number[]
  readonly fitted: readonly Value[]
  readonly estimated: number
  readonly inProportion: boolean
}
