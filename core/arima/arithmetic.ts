import { figureOf, operation, parameterOf, type Expression } from '../column/expression'
import type { Run } from '../column/run'
import type { Value } from '../series/series'
import { psiWeights } from '../stateSpace/arima/autocovariance'
import type { KnownColumn } from '../stateSpace/arima/columns'
import { differencing, expanded } from '../stateSpace/arima/polynomial'
import { unsettledWeights } from '../stateSpace/arima/settling'
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

/** A part of a prediction, and what it comes to. */
interface Term {
  readonly expression: Expression
  readonly value: number
}

/**
 * A prediction down to the values and surprises before it: with the differences undone, φ(B)Φ(B^m)(1−B)^d(1−B^m)^D makes it a
 * weighted sum of values, θ(B)Θ(B^m) one of surprises, and each column of the regression adds what is left of it once it is
 * differenced and filtered.
 *
 * In the first periods the differences before the first count as nothing, and a surprise for as much as the filter has still to
 * learn of the start: where no value is missing the sum is exact. After a gap the filter's own share stands for itself, as what is
 * left of the start; where a value of the sum is missing there is no sum, and the filter's figure stands in its place.
 */
export function predictionArithmetic(run: Run, cells: ArimaCells): (t: number) => Expression {
  const { from, of, predicted, surprise, columns, beta, order } = cells
  const m = run.calendar.seasons
  const polynomials = expanded(cells.coefficients, m)
  const { phi, theta } = polynomials
  const delta = differencing(order, m)
  const weights = weightsOfValues(cells, m)
  /** Ahead a forecast stands in the place of a value. */
  const valueAt = (t: number) => (t > run.lastT ? cells.predictedAt(t) : cells.valueAt(t))
  const cellAt = (t: number) => run.cell(t > run.lastT ? predicted : of, t)
  const surpriseAt = (t: number): Value => {
    if (t > run.lastT) return null
    const [value, own] = [cells.valueAt(t), cells.predictedAt(t)]
    return value === null || own === null ? null : value - own
  }
  /** The first period that has a difference. */
  const first = from + delta.length
  const isWhole = Array.from({ length: run.lastT - from + 1 }, (_, i) => from + i).every(
    (t) => cells.valueAt(t) !== null,
  )
  const unsettled = isWhole ? unsettledWeights(polynomials, run.lastT - first + 1) : null

  /** φ times the differences that there are, with those undone: of values, or of anything else that has a figure a period. */
  const early = (t: number) =>
    [...phi].flatMap((weight, k) =>
      weight !== 0 && t - 1 - k >= first ? [[k, weight] as const] : [],
    )
  /** Whether all differences are there that a prediction is made of. */
  const isEarly = (t: number) => unsettled !== null && t - phi.length < first
  const difference = (at: (when: number) => number, t: number) =>
    delta.reduce((sum, weight, k) => sum - weight * at(t - 1 - k), at(t))

  const known = columns.map((column) => [...column.values, ...column.future])
  const addedBy = (j: number, t: number) => {
    const at = (when: number) => known[j]![when - from]!
    const left = isEarly(t)
      ? early(t).reduce(
          (sum, [k, weight]) => sum - weight * difference(at, t - 1 - k),
          difference(at, t),
        )
      : weights.reduce(
          (sum, weight, k) => (weight === 0 ? sum : sum - weight * at(t - 1 - k)),
          at(t),
        )
    return beta[j]! * left
  }

  /** The weighted sum of values; null where one of them is missing, or lies before the first. */
  function ofValues(t: number): Term[] | null {
    if (isEarly(t)) return ofEarlyValues(t)
    const terms: Term[] = []
    for (const [k, weight] of weights.entries()) {
      if (weight === 0) continue
      const at = t - 1 - k
      const value = at < from ? null : valueAt(at)
      if (value === null) return null
      terms.push({
        expression: weighted(`value ${k + 1} before`, weight, cellAt(at)),
        value: weight * value,
      })
    }
    return terms
  }

  function ofEarlyValues(t: number): Term[] {
    const undone = (at: number): Term[] =>
      [...delta].flatMap((weight, k) =>
        weight === 0
          ? []
          : [
              {
                expression: weighted('', weight, cellAt(at - 1 - k)),
                value: weight * valueAt(at - 1 - k)!,
              },
            ],
      )
    const differences = early(t).map(([k, weight]): Term => {
      const at = t - 1 - k
      const left = undone(at)
      const own = left.reduce<Expression>(
        (sum, one) => operation(sum, '−', one.expression),
        cellAt(at),
      )
      const value = left.reduce((sum, one) => sum - one.value, valueAt(at)!)
      return {
        expression: weighted(`difference ${k + 1} before`, weight, own),
        value: weight * value,
      }
    })
    return [...undone(t), ...differences]
  }

  function ofSurprises(t: number): Term[] {
    const most = Math.max(theta.length, unsettled?.[0]?.length ?? 0)
    return Array.from({ length: most }, (_, k): Term[] => {
      const at = t - 1 - k
      const own = at < from ? null : surpriseAt(at)
      const settled = theta[k] ?? 0
      const more = unsettled?.[at - first]?.[k] ?? 0
      const weight = Math.abs(more) < SETTLED ? settled : settled + more
      if (own === null || weight === 0) return []
      const name = weight === settled ? `surprise ${k + 1} before` : ''
      return [{ expression: weighted(name, weight, run.cell(surprise, at)), value: weight * own }]
    }).flat()
  }

  return (t) => {
    const whole = cells.predictedAt(t)!
    const values = ofValues(t)
    if (!values) return figureOf('by the filter, over a gap or the start', whole)
    const terms: Term[] = [...values, ...ofSurprises(t)]
    for (const [j, { name }] of columns.entries()) {
      const value = addedBy(j, t)
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

/** A weight is settled where it differs from that of the long run by rounding. */
const SETTLED = 1e-13

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

/** @param of what is weighted, of a weight that is the same in every period; empty for one that is not */
function weighted(of: string, weight: number, what: Expression): Expression {
  if (weight === 1) return what
  const own = of === '' ? figureOf('weight', weight) : parameterOf(`weight of the ${of}`, weight)
  return operation(own, '×', what)
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
