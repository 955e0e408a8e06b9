import type { Component } from 'vue'
import { traitsOf } from '~~/core/decompose/ways'
import type { Looked, Result } from '~~/core/result'
import type { Stage } from '~~/core/stage'

/** Where the analyst is when panels of the working are chosen. */
export interface At {
  readonly stage: Stage
  /** Row of the selected cell. */
  readonly column: string | undefined
}

/** A part of the working below the selected cell. It is given `result`, and asks the stores for the rest. */
export type Panel =
  | {
      readonly needs: 'series'
      readonly component: Component
      shows(at: At, shown: Looked): boolean
    }
  | {
      readonly needs: 'result'
      readonly component: Component
      shows(at: At, result: Result): boolean
    }

/** Whether a result has a season at all. */
export function hasSeason({ method }: Result): boolean {
  return traitsOf(method.decompose).hasSeason
}

/** What a stage or a way shows beside strips and ledger. */
export interface Parts {
  /** A line of words above the strips. */
  readonly bar?: Component
  /** What lies over the chart of the first strip, to be taken hold of there; it is given `top` and `height` of it. */
  readonly overlay?: Component
  /** Parts of the working, in the order in which they stand. */
  readonly panels: readonly Panel[]
}
