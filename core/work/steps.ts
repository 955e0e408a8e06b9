/** How far something long has come. */
export interface Progress {
  readonly done: number
  readonly of: number
  /** What is counted: `forecasts made`. */
  readonly words: string
  /** What is tried against each other, the best so far first; only where something is chosen. */
  readonly tried?: readonly Tried[]
}

/** One of several that a choice is made from, by a criterion that is the better the lower. */
export interface Tried {
  readonly name: string
  /** How many numbers it estimates. */
  readonly numbers: number
  readonly aicc: number | null
  /** Why it cannot be taken; null where it can. */
  readonly because: string | null
}

/** Hears how far something has come. */
export type Hear = (progress: Progress) => void

/**
 * Something long, done step by step: between two of them whoever drives it looks up, says how far it has come, or leaves
 * it. The core itself never waits; how long a step may be is the driver's to know.
 */
export type Steps<Result> = Generator<Progress, Result, void>

/**
 * Does all steps one after another, for whoever can wait.
 *
 * @param hear is told after every step
 * @example finish((function* () { yield { done: 1, of: 1, words: 'steps' }; return 7 })()) // 7
 */
export function finish<Result>(steps: Steps<Result>, hear?: Hear): Result {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    hear?.(step.value)
  }
}
