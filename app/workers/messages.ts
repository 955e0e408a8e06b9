import type { Checked } from '~~/core/check/check'
import type { Off } from '~~/core/check/verdict'
import type { Candidate } from '~~/core/contest/candidates'
import type { Contest } from '~~/core/contest/contest'
import type { FormRow } from '~~/core/stateSpace/figures'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import type { Outcome } from './outcome'

export interface AnalyseRequest {
  readonly kind: 'analyse'
  readonly id: number
  readonly series: Series
  readonly method: MethodDocument
}

/** The forms of a selection that are through, the best first. */
export interface SelectionUnderWay {
  readonly rows: readonly FormRow[]
  readonly of: number
}

export type AnalyseAnswer =
  | { readonly id: number; readonly selection: SelectionUnderWay }
  | { readonly id: number; readonly outcome: Outcome }

export interface Asked {
  readonly id: number
  readonly series: Series
  readonly document: MethodDocument
}
export type TriesRequest =
  | (Asked & { readonly kind: 'check' })
  | (Asked & {
      readonly kind: 'contest'
      readonly candidates: readonly Candidate[]
      /** Whether each of them forecasts the hidden end of the series too. */
      readonly hidesLast?: boolean
    })
  | { readonly id: number; readonly kind: 'stop' }

export type TriesAnswer = { readonly id: number } & (
  | { readonly kind: 'progress'; readonly done: number; readonly of: number }
  /** null for a series that is too short to be checked. */
  | { readonly kind: 'checked'; readonly checked: Checked | null }
  /** The name of an offer that mends, once it is tried; after the check itself. */
  | { readonly kind: 'offer'; readonly name: string }
  /** Of the methods that are done so far; the last is of all. */
  | { readonly kind: 'contest'; readonly contest: Contest; readonly isLast: boolean }
  /** How far off one method was over the hidden end of the series, so many periods; null where it is refused there. */
  | {
      readonly kind: 'hidden'
      readonly name: string
      readonly periods: number
      readonly off: Off | null
    }
  | { readonly kind: 'refused'; readonly because: string }
)
