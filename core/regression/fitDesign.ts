import { Refusal } from '../refusal'
import { requireBounded } from '../work/requireBounded'
import type { Value } from '../series/series'
import type { DesignColumn } from './design'
import { leastSquares, type LeastSquares } from './leastSquares'

/** A regression of values in time on the columns of a design. */
export interface DesignFit extends Omit<LeastSquares, 'partsOf'> {
  readonly columns: readonly DesignColumn[]
  /** Time code of the first period it was fitted to. */
  readonly from: number
  /** Time codes of the fitted values, gaps left out, and the values. */
  readonly t: readonly number[]
  readonly y: readonly number[]
  /** Value minus fit at every period from `from` on; undefined where the value is missing. */
  readonly residualsInTime: readonly Value[]
  /** The fit at the same periods, missing ones included. */
  readonly fittedInTime: readonly number[]
  /** How much every period takes part in the coefficient of a column that is no power of time; nothing at a missing value. */
  partsInTime(place: number): Float64Array
  /** Degrees of freedom that are left: n − p, less what was estimated from the same values before. */
  readonly df: number
  /** The fit at a time code. */
  at(t: number): number
  /** x₀ᵀ(XᵀX)⁻¹x₀ at a time code. */
  leverageAt(t: number): number
  /** The same at every period that was fitted, from the columns as they are. */
  leverages(): number[]
}

/** What of the values a regression is fitted to, and what was done to them before. */
interface FitOptions {
  /** Periods of the time axis to fit to, the last ones, missing ones included; all when left out. */
  readonly last?: number | undefined
  /** Numbers that were estimated from the values and taken out of them before, each at the cost of a degree of freedom. */
  readonly costBefore?: number
}

/**
 * Regression of values on the columns of a design, over all periods or the last N.
 *
 * Powers of time are fitted in centred and scaled time u = (x − c)/h: powers of a time of thousands are all but
 * the same column, and half of the digits would go. Fit and leverage are taken there; the coefficients are
 * reported for x itself, by the binomial theorem.
 *
 * @param values one a period, null = missing and left out of the fit
 * @param firstT time code of the first entry; it is not renumbered
 * @param columns beside the constant, powers of time first
 * @param where path in the document of what is fitted, for a refusal
 * @throws Refusal with too few values, with no degree of freedom left, or when a column depends on the ones before it
 */
export function fitDesign(
  values: readonly Value[],
  firstT: number,
  columns: readonly DesignColumn[],
  where: string,
  { last = Infinity, costBefore = 0 }: FitOptions = {},
): DesignFit {
  const skipped = Math.max(0, values.length - last)
  const from = firstT + skipped
  const own = skipped === 0 ? values : values.slice(skipped)
  const t: number[] = []
  const y: number[] = []
  own.forEach((value, i) => {
    if (value === null) return
    t.push(from + i)
    y.push(value)
  })
  requireBounded(
    2 * t.length * (columns.length + 1) ** 2,
    `A regression of ${t.length} values on ${columns.length} columns`,
    'Take fewer seasons, waves or events, or fit it to fewer periods',
    where,
  )
  const basis = basisOf(columns, t)
  const works = columns.map((_, j) => basis.column(j))
  // Every column at every period, once: what is asked of the past is looked up here.
  const whole = works.map((at) => {
    const column = new Float64Array(own.length)
    for (let i = 0; i < column.length; i++) column[i] = at(from + i)
    return column
  })
  const isWhole = t.length === own.length
  const fitted = isWhole ? whole : whole.map((column) => column.filter((_, i) => own[i] !== null))
  const inner = leastSquares(
    y,
    columns.map(({ name }, j) => ({ name, values: fitted[j]! })),
    where,
  )
  const df = inner.n - inner.p - costBefore
  if (df < 1) {
    throw new Refusal(
      `A regression with ${inner.p} coefficients, beside ${costBefore} estimated before it, needs at least ${inner.p + costBefore + 1} values; there are ${inner.n}. Fit it to more periods.`,
      where,
    )
  }
  const [constant, ...slopes] = inner.coefficients as [number, ...number[]]
  const { partsOf, ...found } = inner
  let next = 0
  return {
    ...found,
    coefficients: basis.reported(inner.coefficients),
    varianceOf: (weights) => inner.varianceOf(basis.weights(weights)),
    columns,
    from,
    t,
    y,
    df,
    residualsInTime: own.map((value) => (value === null ? null : inner.residuals[next++]!)),
    partsInTime: (place) => {
      const inTime = new Float64Array(own.length)
      partsOf(place).forEach((part, i) => (inTime[t[i]! - from] = part))
      return inTime
    },
    fittedInTime: own.map((_, i) => {
      let sum = constant
      for (let j = 0; j < slopes.length; j++) sum += slopes[j]! * whole[j]![i]!
      return sum
    }),
    at: (time) => slopes.reduce((sum, slope, j) => sum + slope * works[j]!(time), constant),
    leverageAt: (time) => inner.varianceOf([1, ...works.map((at) => at(time))]),
    leverages: () => {
      const point = new Array<number>(columns.length + 1).fill(1)
      return t.map((_, i) => {
        for (let j = 0; j < columns.length; j++) point[j + 1] = fitted[j]![i]!
        return inner.varianceOf(point)
      })
    },
  }
}

/** What a fit works in, and the way back to the columns that are reported. */
interface Basis {
  column(j: number): (t: number) => number
  reported(coefficients: readonly number[]): number[]
  /** Weights on the reported coefficients, as weights on those that were fitted. */
  weights(reported: readonly number[]): number[]
}

function basisOf(columns: readonly DesignColumn[], t: readonly number[]): Basis {
  const degree = columns.filter(({ power }) => power).length
  if (degree < 2) {
    // A single power is centred by the regression itself.
    return {
      column: (j) => columns[j]!.at,
      reported: (coefficients) => [...coefficients],
      weights: (reported) => [...reported],
    }
  }
  const time = columns[0]!.power!.of
  const [first, last] = [time.at(t[0] ?? 0), time.at(t.at(-1) ?? 0)]
  const centre = (first + last) / 2
  const half = Math.max(1, (last - first) / 2)
  // Entry j, k: how much of x^j is in u^k.
  const share = (j: number, k: number) => (binomial(k, j) * (-centre) ** (k - j)) / half ** k
  const powers = Array.from({ length: degree + 1 }, (_, k) => k)
  return {
    column: (j) => {
      const { power, at } = columns[j]!
      return power ? (t0) => ((time.at(t0) - centre) / half) ** power.degree : at
    },
    reported: (fitted) =>
      fitted.map((own, j) =>
        j > degree ? own : powers.slice(j).reduce((sum, k) => sum + fitted[k]! * share(j, k), 0),
      ),
    weights: (reported) =>
      reported.map((own, k) =>
        k > degree
          ? own
          : powers.slice(0, k + 1).reduce((sum, j) => sum + reported[j]! * share(j, k), 0),
      ),
  }
}

function binomial(n: number, k: number): number {
  let ways = 1
  for (let i = 0; i < k; i++) ways = (ways * (n - i)) / (i + 1)
  return ways
}
