import { Refusal } from './refusal'
import { requireWhole } from './requireWhole'

/** What a method document asks of the check. */
export interface CheckDocument {
  /** Periods at the end that are hidden and forecast. */
  readonly holdout?: number
  readonly rolling?: {
    /** Periods of the first training span. */
    readonly first?: number
    /** Periods ahead. */
    readonly horizon?: number
    /** Periods from one origin to the next. */
    readonly step?: number
  }
}

/** The same, complete. */
export interface CheckPlan {
  readonly holdout: number
  readonly rolling: { readonly first: number; readonly horizon: number; readonly step: number }
}

/** What a check must know of its series. */
export interface CheckFacts {
  /** Periods of the analysed span, those without a value too. */
  readonly periods: number
  readonly seasons: number
}

const YEARLY_HORIZON = 3
/** The method is fitted anew from each of them. */
const MOST_ORIGINS = 1000

/**
 * Fills in the defaults of a check: a year ahead (three of a yearly series) from every origin, the first after
 * three years and ten periods at least, and about three years before the end.
 *
 * @returns null when no document asks and the series is too short for any origin
 * @throws Refusal for a plan that a document asks for and that the series is too short for, with its path
 * @example 120 months: 36 origins, after 84 … 119 months
 */
export function completeCheck(
  document: CheckDocument | undefined,
  { periods, seasons }: CheckFacts,
): CheckPlan | null {
  const { holdout, rolling = {} } = document ?? {}
  const horizon = rolling.horizon ?? (seasons < 2 ? YEARLY_HORIZON : seasons)
  const step = rolling.step ?? 1
  const usual = firstOrigin(periods, seasons, horizon)
  const first = rolling.first ?? usual
  for (const [value, where] of [
    [horizon, 'horizon'],
    [step, 'step'],
    [first, 'first'],
  ] as const) {
    requireWhole(value, 1, Infinity, `check.rolling.${where}`)
  }
  if (holdout !== undefined && holdout >= periods) {
    throw new Refusal(
      `${holdout} periods held out of ${periods} leave none to forecast from.`,
      'check.holdout',
    )
  }
  if (first >= periods) {
    if (rolling.first === undefined) return null
    throw new Refusal(
      `The first origin stands after ${first} periods, and the span has ${periods}: there is nothing left to check.`,
      'check.rolling.first',
    )
  }
  const origins = Math.ceil((periods - first) / step)
  if (origins > MOST_ORIGINS) {
    throw new Refusal(
      `A forecast from each of ${origins} origins takes too long; ${MOST_ORIGINS} are the most. Take a larger step, or begin later.`,
      'check.rolling',
    )
  }
  return { holdout: holdout ?? Math.min(horizon, periods - 1), rolling: { first, horizon, step } }
}

/** Periods of the first training span: max(3m, 10, n − max(36, 24 + H)). */
export function firstOrigin(periods: number, seasons: number, horizon: number): number {
  return Math.max(3 * seasons, 10, periods - Math.max(36, 24 + horizon))
}
