import { figureOf, operation, type Expression } from '../column/expression'
import type { Run } from '../column/run'
import type { Value } from '../series/series'
import { psiWeights } from '../stateSpace/arima/autocovariance'
import type { KnownColumn } from '../stateSpace/arima/columns'
import { differencing, expanded } from '../stateSpace/arima/polynomial'
import type { ArimaFigures } from './model'

/** A model whose predictions stand in the ledger, and what its columns are called there. */
export interface ArimaCells extends Pick<ArimaFigures, 'coefficients' | 'order' | 'beta'> {
  /** Mean or drift first, then what is known beside, over the span and ahead. */
  readonly columns: readonly KnownColumn[]
  /** Time code of the first period of the model. */
  readonly from: number
  /** Column of the values. */
  readonly of: string
  readonly predicted: string
  readonly surprise: string
  /** On the scale of the model; undefined where there is none. */
  valueAt(t: number): Value
  /** One step ahead in the past, and what is to come. */
  predictedAt(t: number): Value
}

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
 * What the filter still adds is what is not settled of the start: much in the first periods, all but nothing later. Where a value
 * of the sum is missing there is no such sum, and the filter's figure stands for itself.
 */
export function predictionArithmetic(run: Run, cells: ArimaCells): (t: number) => Expression {
  const { from, of, predicted, surprise, columns, beta } = cells
  const m = run.calendar.seasons
  const { theta } = expanded(cells.coefficients, m)
  const weights = weightsOfValues(cells, m)
  /** Ahead a forecast stands in the place of a value. */
  const valueAt = (t: number) => (t > run.lastT ? cells.predictedAt(t) : cells.valueAt(t))
  const surpriseAt = (t: number): Value => {
    if (t > run.lastT) return null
    const [value, own] = [cells.valueAt(t), cells.predictedAt(t)]
    return value === null || own === null ? null : value - own
  }
  const known = columns.map((column) => [...column.values, ...column.future])
  const addedBy = (j: number, t: number) => {
    const at = (when: number) => known[j]![when - from]!
    const left = weights.reduce(
      (sum, weight, k) => (weight === 0 ? sum : sum - weight * at(t - 1 - k)),
      at(t),
    )
    return beta[j]! * left
  }
  return (t) => {
    const whole = cells.predictedAt(t)!
    const terms: { readonly expression: Expression; readonly value: number }[] = []
    for (const [k, weight] of weights.entries()) {
      if (weight === 0) continue
      const at = t - 1 - k
      const value = at < from ? null : valueAt(at)
      if (value === null) return figureOf('by the filter, over a gap or the start', whole)
      const cell = run.cell(at > run.lastT ? predicted : of, at)
      terms.push({ expression: weighted(weight, cell), value: weight * value })
    }
    for (const [k, weight] of theta.entries()) {
      const at = t - 1 - k
      const own = weight === 0 || at < from ? null : surpriseAt(at)
      if (own === null) continue
      terms.push({ expression: weighted(weight, run.cell(surprise, at)), value: weight * own })
    }
    for (const [j, { name }] of columns.entries()) {
      const value = addedBy(j, t)
      const isConstant = name in CONSTANTS
      if (value === 0 && !isConstant) continue
      terms.push({ expression: figureOf(CONSTANTS[name] ?? `part of ${name}`, value), value })
    }
    const rest = whole - terms.reduce((sum, { value }) => sum + value, 0)
    const start = figureOf('what is left of the start', rest)
    const [first, ...others] = terms.map(({ expression }) => expression)
    if (!first) return start
    const sum = others.reduce((left, right) => operation(left, '+', right), first)
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

function weighted(weight: number, cell: Expression): Expression {
  return weight === 1 ? cell : operation(figureOf('weight', weight), '×', cell)
}

/** The weights of the values before, of φ and of the differences at once: 1 − (1 − Σ φB)(1 − Σ δB). */
function weightsOfValues(
  { coefficients, order }: Pick<ArimaFigures, 'coefficients' | 'order'>,
  seasons: number,
): number[] {
  const { phi } = expanded(coefficients, seasons)
  const delta = differencing(order, seasons)
  const all = new Array<number>(phi.length + delta.length).fill(0)
  phi.forEach((own, i) => (all[i]! += own))
  delta.forEach((own, i) => (all[i]! += own))
  phi.forEach((a, i) => delta.forEach((b, j) => (all[i + j + 1]! -= a * b)))
  return all
}
