import type { RefusalNames } from '~~/core/refusal'
import type { Progress } from '~~/core/work/steps'

/** To a worker: a job to do, or one to leave. */
export type Asked =
  | { readonly id: number; readonly name: string; readonly words: readonly unknown[] }
  | { readonly leave: number }

/** From a worker: that a job has begun, something on the way, or its end. */
export type Answered = { readonly id: number } & (
  { readonly begun: true } | { readonly progress: Progress } | { readonly said: unknown } | Ended
)

/** How a job ended: with what came of it, with a refusal, left, or by a defect. */
export type Ended =
  | { readonly given: unknown }
  | {
      readonly refused: {
        readonly because: string
        readonly where: string
        readonly names: RefusalNames
      }
    }
  | { readonly left: true }
  | { readonly fault: string }
