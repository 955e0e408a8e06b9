import { figureOf, operation, parameterOf, type Expression } from '../column/expression'
import type { Run } from '../column/run'
import type { Value } from '../series/series'
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

/** A part of a prediction, and what it comes to. */
export interface Term {
  readonly expression: Expression
  readonly value: number
}

/** What predictions are made of, period by period: the recursion of a model over the cells of its rows. */
export interface Recursion {
  readonly run: Run
  readonly cells: ArimaCells
  readonly phi: Float64Array
  readonly theta: Float64Array
  /** Of the differences: w_t = y_t − Σ δ_k y_{t−k}. */
  readonly delta: Float64Array
  /** Of the values before, φ and δ at once. */
  readonly weights: readonly number[]
  /** The first period that has a difference. */
  readonly first: number
  /** What a surprise counts for more while the start is not settled; null with a gap, where the filter's share is another. */
  readonly unsettled: readonly Float64Array[] | null
}

/** The recursion of a model whose predictions stand in the ledger. */
export function recursionOf(run: Run, cells: ArimaCells): Recursion {
  const m = run.calendar.seasons
  const polynomials = expanded(cells.coefficients, m)
  const delta = differencing(cells.order, m)
  const first = cells.from + delta.length
  const span = Array.from({ length: run.lastT - cells.from + 1 }, (_, i) => cells.from + i)
  const isWhole = span.every((t) => cells.valueAt(t) !== null)
  return {
    ...{ run, cells, delta, first },
    ...polynomials,
    weights: weightsOfValues(cells, m),
    unsettled: isWhole ? unsettledWeights(polynomials, run.lastT - first + 1) : null,
  }
}

/**
 * The weighted sum of values that a prediction is made of. In the first periods, without a gap, the differences before the first
 * count as nothing.
 *
 * @returns null where a value of it is missing, or lies before the first
 */
export function valueTerms(own: Recursion, t: number): Term[] | null {
  if (isEarly(own, t)) return earlyTerms(own, t)
  const terms: Term[] = []
  for (const [k, weight] of own.weights.entries()) {
    if (weight === 0) continue
    const at = t - 1 - k
    const value = at < own.cells.from ? null : valueAt(own, at)
    if (value === null) return null
    const expression = weighted(`value ${k + 1} before`, weight, cellAt(own, at))
    terms.push({ expression, value: weight * value })
  }
  return terms
}

/** The weighted sum of surprises; as long as the start is not settled, each counts for as much as the filter learns from it. */
export function surpriseTerms(
  { run, cells, theta, first, unsettled }: Recursion,
  t: number,
): Term[] {
  const most = Math.max(theta.length, unsettled?.[0]?.length ?? 0)
  return Array.from({ length: most }, (_, k): Term[] => {
    const at = t - 1 - k
    const surprise = at < cells.from || at > run.lastT ? null : surpriseAt(cells, at)
    const settled = theta[k] ?? 0
    const more = unsettled?.[at - first]?.[k] ?? 0
    const weight = Math.abs(more) < SETTLED ? settled : settled + more
    if (surprise === null || weight === 0) return []
    const of = weight === settled ? `surprise ${k + 1} before` : ''
    const expression = weighted(of, weight, run.cell(cells.surprise, at))
    return [{ expression, value: weight * surprise }]
  }).flat()
}

/** What a column of the regression adds: what is left of it once it is differenced and filtered as the values are. */
export function addedBy(own: Recursion, j: number, t: number): number {
  const { cells, weights } = own
  const column = cells.columns[j]!
  const known = [...column.values, ...column.future]
  const at = (when: number) => known[when - cells.from]!
  const left = isEarly(own, t)
    ? earlyWeights(own, t).reduce(
        (sum, [k, weight]) => sum - weight * difference(own, at, t - 1 - k),
        difference(own, at, t),
      )
    : weights.reduce((sum, weight, k) => (weight === 0 ? sum : sum - weight * at(t - 1 - k)), at(t))
  return cells.beta[j]! * left
}

/** Whether some of the differences that a prediction is made of lie before the first. */
function isEarly({ unsettled, phi, first }: Recursion, t: number): boolean {
  return unsettled !== null && t - phi.length < first
}

/** φ of the differences that there are, each with its place. */
function earlyWeights({ phi, first }: Recursion, t: number): (readonly [number, number])[] {
  return [...phi].flatMap((weight, k) =>
    weight !== 0 && t - 1 - k >= first ? [[k, weight] as const] : [],
  )
}

function earlyTerms(own: Recursion, t: number): Term[] {
  const differences = earlyWeights(own, t).map(([k, weight]): Term => {
    const at = t - 1 - k
    const undone = undoneTerms(own, at)
    const left = undone.reduce<Expression>(
      (sum, { expression }) => operation(sum, '−', expression),
      cellAt(own, at),
    )
    const value = undone.reduce((sum, one) => sum - one.value, valueAt(own, at)!)
    const expression = weighted(`difference ${k + 1} before`, weight, left)
    return { expression, value: weight * value }
  })
  return [...undoneTerms(own, t), ...differences]
}

/** What undoes the differences at a period. */
function undoneTerms(own: Recursion, t: number): Term[] {
  return [...own.delta].flatMap((weight, k): Term[] => {
    if (weight === 0) return []
    const at = t - 1 - k
    return [
      { expression: weighted('', weight, cellAt(own, at)), value: weight * valueAt(own, at)! },
    ]
  })
}

function difference({ delta }: Recursion, at: (when: number) => number, t: number): number {
  return delta.reduce((sum, weight, k) => sum - weight * at(t - 1 - k), at(t))
}

/** Ahead a forecast stands in the place of a value. */
function valueAt({ run, cells }: Recursion, t: number): Value {
  return t > run.lastT ? cells.predictedAt(t) : cells.valueAt(t)
}

function cellAt({ run, cells }: Recursion, t: number): Expression {
  return run.cell(t > run.lastT ? cells.predicted : cells.of, t)
}

function surpriseAt(cells: ArimaCells, t: number): Value {
  const [value, own] = [cells.valueAt(t), cells.predictedAt(t)]
  return value === null || own === null ? null : value - own
}

/** A weight is settled where it differs from that of the long run by rounding. */
const SETTLED = 1e-13

/** @param of what is weighted, of a weight that is the same in every period; empty for one that is not */
function weighted(of: string, weight: number, what: Expression): Expression {
  if (weight === 1) return what
  const own = of === '' ? figureOf('weight', weight) : parameterOf(`weight of the ${of}`, weight)
  return operation(own, '×', what)
}

/** The weights of the values before, of φ and of the differences at once: 1 − (1 − Σ φB)(1 − Σ δB). */
export function weightsOfValues(
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
