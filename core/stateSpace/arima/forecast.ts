import { Matrix, QrDecomposition } from 'ml-matrix'
import {
  carried,
  filterDifferences,
  filterLevels,
  moved,
  sumOf,
  type Ended,
  type LevelFilter,
} from './filter'
import { differencesOf, differencing, expanded } from './polynomial'
import type { ArimaData } from './likelihood'
import type { ArmaCoefficients } from './order'

/** A model with all that belongs to it. */
export interface ArimaModel {
  readonly coefficients: ArmaCoefficients
  /** Of the columns, in their order. */
  readonly beta: readonly number[]
}

/** What is to come, on the scale of the model. */
export interface ArimaAhead {
  readonly point: readonly number[]
  /** √ of the variance from the filter; times σ it is the standard error. */
  readonly spread: readonly number[]
}

/**
 * Forecasts of the least mean squared error, with their exact finite-sample variance.
 *
 * The uncertainty of coefficients and regression is not in it.
 *
 * @param future of each column, one a forecast period
 * @returns null where the process is not stationary, or the gaps leave the start undetermined
 */
export function arimaAhead(
  data: ArimaData,
  model: ArimaModel,
  future: readonly (readonly number[])[],
  horizon: number,
): ArimaAhead | null {
  const ended = filteredToEnd(data, model)
  if (!ended) return null
  return {
    point: pointsAhead(ended.filter, ended.states[0]!, horizon).map(
      (own, h) => own + taken(model, future, h),
    ),
    spread: spreadsAhead(ended, horizon),
  }
}

/** The values less what their columns say, filtered in the levels: the state at the end, and every prediction on the way. */
export function filteredToEnd(
  { values, columns, order, seasons }: ArimaData,
  model: ArimaModel,
): Ended | null {
  const known = columns.map((column) => column.values)
  const rest = values.map((value, t) => (value === null ? null : value - taken(model, known, t)))
  return filterLevels([rest], expanded(model.coefficients, seasons), differencing(order, seasons))
}

/** What the columns say of a period. */
export function taken(
  { beta }: Pick<ArimaModel, 'beta'>,
  of: readonly (readonly number[])[],
  t: number,
): number {
  return beta.reduce((sum, own, j) => sum + own * of[j]![t]!, 0)
}

/** What a state says of the periods after it, without columns. */
export function pointsAhead(
  filter: LevelFilter,
  state: ArrayLike<number>,
  horizon: number,
): number[] {
  let now: Float64Array = Float64Array.from(state)
  return Array.from({ length: horizon }, () => {
    const point = sumOf(filter.at, now)
    now = moved(filter, now)
    return point
  })
}

/** √ of the variances of the periods after the last. */
export function spreadsAhead({ filter, covariance }: Ended, horizon: number): number[] {
  let now = covariance
  return Array.from({ length: horizon }, () => {
    let variance = 0
    for (const one of filter.at) {
      for (const other of filter.at) {
        variance += one.w * other.w * now[one.i * filter.size + other.i]!
      }
    }
    now = carried(filter, now, true)
    return Math.sqrt(variance)
  })
}

/** A missing value as all others tell it. */
export interface MissingEstimate {
  /** Place of the period, 0 the first. */
  readonly at: number
  readonly estimate: number
  /** √ of its variance; times σ it is the standard error. */
  readonly spread: number
}

/**
 * Missing values from all others: what makes S least, which is a regression on a column for each of them.
 *
 * @returns null where the process is not stationary
 */
export function missingEstimates(
  { values, columns, order, seasons }: ArimaData,
  { coefficients, beta }: ArimaModel,
): readonly MissingEstimate[] | null {
  const gaps = values.flatMap((value, at) => (value === null ? [at] : []))
  if (gaps.length === 0) return []
  const delta = differencing(order, seasons)
  const known = columns.map((column) => column.values)
  const rest = values.map((value, t) => (value === null ? 0 : value - taken({ beta }, known, t)))
  const lists = [rest, ...gaps.map((gap) => values.map((_, t) => (t === gap ? -1 : 0)))]
  const filtered = filterDifferences(
    lists.map((own) => differencesOf(own, delta)),
    expanded(coefficients, seasons),
  )
  if (!filtered) return null
  const { errors, variances } = filtered
  const scaled = errors.map((own) => Array.from(own, (one, t) => one / Math.sqrt(variances[t]!)))
  const design = new Matrix(scaled.slice(1)).transpose()
  const qr = new QrDecomposition(design)
  if (!qr.isFullRank()) return null
  const solved = qr.solve(Matrix.columnVector(scaled[0]!))
  const inverse = new QrDecomposition(qr.upperTriangularMatrix).solve(Matrix.eye(gaps.length))
  return gaps.map((at, j) => ({
    at,
    estimate: solved.get(j, 0) + taken({ beta }, known, at),
    spread: Math.hypot(...inverse.getRow(j)),
  }))
}
