import { figureOf, operation, type Expression } from '../column/expression'
import type { Run } from '../column/run'
import type { Value } from '../series/series'
import { psiWeights } from '../stateSpace/arima/autocovariance'
import { expanded } from '../stateSpace/arima/polynomial'
import type { ArimaFigures } from './model'
import {
  addedBy,
  recursionOf,
  surpriseTerms,
  valueTerms,
  weightsOfValues,
  type ArimaCells,
  type Term,
} from './recursion'

/** How a constant is called where it enters a prediction. */
const CONSTANTS: Readonly<Record<string, string>> = {
  mean: 'constant of the mean',
  drift: 'constant of the drift',
}

/**
 * A prediction down to the values and surprises before it: with the differences undone, φ(B)Φ(B^m)(1−B)^d(1−B^m)^D makes it a
 * weighted sum of values, θ(B)Θ(B^m) one of surprises, and each column of the regression adds what is left of it once it is
 * differenced and filtered.
 *
 * Where no value is missing the sum is exact from the first period on. After a gap the filter's own share stands for itself, as what
 * is left of the start; where a value of the sum is missing there is no sum, and the filter's figure stands in its place.
 */
export function predictionArithmetic(run: Run, cells: ArimaCells): (t: number) => Expression {
  const recursion = recursionOf(run, cells)
  return (t) => {
    const whole = cells.predictedAt(t)!
    const values = valueTerms(recursion, t)
    if (!values) return figureOf('by the filter, over a gap or the start', whole)
    const terms: Term[] = [...values, ...surpriseTerms(recursion, t)]
    for (const [j, { name }] of cells.columns.entries()) {
      const value = addedBy(recursion, j, t)
      const isConstant = name in CONSTANTS
      if (value === 0 && !isConstant) continue
      terms.push({ expression: figureOf(CONSTANTS[name] ?? `part of ${name}`, value), value })
    }
    const rest = whole - terms.reduce((sum, { value }) => sum + value, 0)
    const start = figureOf('what is left of the start', rest)
    const [one, ...others] = terms.map(({ expression }) => expression)
    if (!one) return start
    const sum = others.reduce((left, right) => operation(left, '+', right), one)
    return isNothing(rest, whole) ? sum : operation(sum, '+', start)
  }
}

/** What values a prediction missed; undefined where there is no value, or no prediction. */
export function surprisesOf(values: readonly Value[], predicted: readonly Value[]): Value[] {
  return values.map((value, i) => {
    const own = predicted[i] ?? null
    return value === null || own === null ? null : value - own
  })
}

/**
 * The variance of each forecast, in squares of σ, from that of the period before: what a surprise j periods before is still worth
 * in it is ψ_j, so each period further adds ψ². What the values have not settled of the start stands by itself.
 *
 * @param name of the column that they stand in
 * @param factors from the filter, one a forecast period
 */
export function varianceArithmetic(
  run: Run,
  model: Pick<ArimaFigures, 'coefficients' | 'order'>,
  name: string,
  factors: readonly number[],
): (t: number) => Expression {
  const m = run.calendar.seasons
  const phi = Float64Array.from(weightsOfValues(model, m))
  const psi = psiWeights({ phi, theta: expanded(model.coefficients, m).theta }, factors.length)
  return (t) => {
    const h = t - run.lastT - 1
    const weight = figureOf(`ψ of ${h} ${run.per}${h === 1 ? '' : 's'} on`, psi[h]!)
    const square = operation(weight, '×', weight)
    const sum = h === 0 ? square : operation(run.cell(name, t - 1), '+', square)
    const rest = factors[h]! - (h === 0 ? 0 : factors[h - 1]!) - psi[h]! ** 2
    return isNothing(rest, factors[h]!)
      ? sum
      : operation(sum, '+', figureOf('what is not settled of the start', rest))
  }
}

/** What is left of the start is rounding. */
const NOTHING = 1e-9
function isNothing(rest: number, whole: number): boolean {
  return Math.abs(rest) <= NOTHING * Math.max(1e-300, Math.abs(whole))
}
