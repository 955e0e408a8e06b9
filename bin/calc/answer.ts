import { Refusal } from '../../core/refusal'

/** What `calc` prints for an input that cannot be calculated. */
export interface CalcRefusal {
  readonly refused: true
  readonly because: string
  readonly names?: unknown
}

/** Answers one input, turning a refusal of the core into its printed shape. */
export function answer(calculate: () => unknown): unknown {
  try {
    return calculate()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const hasNames = Object.keys(error.names).length > 0
    return {
      refused: true,
      because: error.because,
      ...(hasNames ? { names: error.names } : {}),
    } satisfies CalcRefusal
  }
}
