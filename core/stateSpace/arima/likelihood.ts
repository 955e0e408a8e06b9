import { Matrix, QrDecomposition } from 'ml-matrix'
import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import { filterDifferences, filterLevels, type Filtered } from './filter'
import { lostToDifferences, type ArimaOrder, type ArmaCoefficients } from './order'
import { differencesOf, differencing, expanded } from './polynomial'

/** A column that is taken out of the values by regression: the mean, the drift, what is known beside. */
export interface ArimaColumn {
  readonly name: string
  /** One a period of the span, without a gap, in the levels. */
  readonly values: readonly number[]
}

/** What a model is fitted to. */
export interface ArimaData {
  /** One a period, null = missing, already on the scale that the model is of. */
  readonly values: readonly Value[]
  readonly columns: readonly ArimaColumn[]
  /** m */
  readonly seasons: number
  readonly order: ArimaOrder
}

/** The same, made ready to be filtered again and again. */
export interface ReadyData {
  readonly data: ArimaData
  /** N: the values that came in, less those that the differences take. */
  readonly count: number
  /** The differences of values and columns; null with a gap, where the levels are filtered. */
  readonly differences: readonly Float64Array[] | null
  /** The same with 0 in the place of a few missing values, and a column for each of them behind the values; null without a gap. */
  readonly patched: { readonly lists: readonly Float64Array[]; readonly gaps: number } | null
  readonly delta: Float64Array
  /** Periods that the differences take at the start. */
  readonly lost: number
  /** An S that is no more is rounding: the model leaves nothing over, and its likelihood has no end. */
  readonly nothing: number
}

/** What the values are like under given coefficients, mean, drift and regression estimated. */
export interface Likelihood {
  /** Of the columns, in their order, by generalized least squares. */
  readonly beta: readonly number[]
  /** S, in squared units of the values. */
  readonly sumOfSquares: number
  readonly logDeterminant: number
  /** ln L with σ² = S/N. */
  readonly concentrated: number
  readonly filtered: Filtered
}

/** Of the sum of squared values, what is left of them by rounding alone. */
const ROUNDING = 1e-24
/** With more gaps than this a column for each costs more than the filter of levels. */
const MOST_PATCHED = 12
/** Share of a column's own length that must be left after those before it. */
const DEPENDENT = 1e-10

/**
 * Makes data ready.
 *
 * @param where path in the document, for a refusal
 * @throws Refusal with no value left after the differences, and for a column that is nothing, or that the others say
 *   already, once it is differenced
 */
export function ready(data: ArimaData, where: string): ReadyData {
  const { values, columns, order, seasons } = data
  const lost = lostToDifferences(order, seasons)
  const delta = differencing(order, seasons)
  const count = values.filter((value) => value !== null).length - lost
  if (count < 1) {
    throw new Refusal(
      `The differences take ${lost} values, and ${count + lost} came in. Take fewer differences, or a longer span.`,
      where,
    )
  }
  const differenced = columns.map((column) => differencesOf(column.values, delta))
  requireIndependent(columns, differenced, where)
  const isWhole = values.every((value) => value !== null)
  return {
    data,
    count,
    differences: isWhole
      ? [differencesOf(values as readonly number[], delta), ...differenced]
      : null,
    patched: patchedOf(values, differenced, delta),
    delta,
    lost,
    nothing: values.reduce<number>((sum, value) => sum + (value ?? 0) ** 2, 0) * ROUNDING,
  }
}

function patchedOf(
  values: readonly Value[],
  columns: readonly Float64Array[],
  delta: Float64Array,
): ReadyData['patched'] {
  const gaps = values.flatMap((value, t) => (value === null ? [t] : []))
  if (gaps.length === 0 || gaps.length > MOST_PATCHED) return null
  const own = gaps.map((gap) =>
    differencesOf(
      values.map((_, t) => (t === gap ? 1 : 0)),
      delta,
    ),
  )
  const patched = differencesOf(
    values.map((value) => value ?? 0),
    delta,
  )
  return { lists: [patched, ...own, ...columns], gaps: gaps.length }
}

/**
 * The exact Gaussian likelihood of a model with given ARMA coefficients; all else is estimated on the way.
 *
 * @returns null where the process is not stationary, or the gaps leave the start undetermined
 * @see Box, G. E. P. & Jenkins, G. M. (1970), Time Series Analysis: Forecasting and Control, ch. 7
 */
export function likelihoodOf(own: ReadyData, coefficients: ArmaCoefficients): Likelihood | null {
  const { data, count } = own
  const filtered = filter(own, coefficients)
  if (!filtered) return null
  const { beta, sumOfSquares } = generalized(filtered, data.columns.length)
  return {
    ...{ beta, sumOfSquares, filtered, logDeterminant: filtered.logDeterminant },
    concentrated: concentratedLikelihood(count, sumOfSquares, filtered.logDeterminant),
  }
}

/**
 * ln L alone, as a search asks for it thousands of times: of values with a few gaps by the filter of differences, each missing
 * value being a coefficient. Σ ln F_t + Σ ln F∞,t is ln|V| + ln|UᵀV⁻¹U| then, U the columns of the gaps.
 *
 * @returns −∞ where the process is not stationary, the gaps leave the start undetermined, or nothing is left over
 */
export function logLikelihoodOf(own: ReadyData, coefficients: ArmaCoefficients): number {
  if (!own.patched) {
    const likely = likelihoodOf(own, coefficients)
    return likely && likely.sumOfSquares > own.nothing ? likely.concentrated : -Infinity
  }
  const { lists, gaps } = own.patched
  const filtered = filterDifferences(lists, expanded(coefficients, own.data.seasons))
  const [y, ...columns] = filtered?.errors ?? []
  if (!filtered || !y || y.length <= columns.length) return -Infinity
  const design = new Matrix(y.length, columns.length + 1)
  for (let t = 0; t < y.length; t++) {
    const deviation = Math.sqrt(filtered.variances[t]!)
    columns.forEach((column, j) => design.set(t, j, column[t]! / deviation))
    design.set(t, columns.length, y[t]! / deviation)
  }
  const upper = new QrDecomposition(design).upperTriangularMatrix
  let { logDeterminant } = filtered
  for (let j = 0; j < gaps; j++) logDeterminant += 2 * Math.log(Math.abs(upper.get(j, j)))
  const sumOfSquares = upper.get(columns.length, columns.length) ** 2
  const likely = concentratedLikelihood(own.count, sumOfSquares, logDeterminant)
  return sumOfSquares > own.nothing && Number.isFinite(likely) ? likely : -Infinity
}

/** ln L at σ² = S/N, where it is highest. */
export function concentratedLikelihood(
  count: number,
  sumOfSquares: number,
  logDeterminant: number,
): number {
  return -(count * (Math.log((2 * Math.PI * sumOfSquares) / count) + 1) + logDeterminant) / 2
}

/** The errors of values and columns under given coefficients. */
export function filter(
  { data, differences, delta }: ReadyData,
  coefficients: ArmaCoefficients,
): Filtered | null {
  const polynomials = expanded(coefficients, data.seasons)
  if (differences) return filterDifferences(differences, polynomials)
  const lists = [data.values, ...data.columns.map(({ values }) => values)]
  return filterLevels(lists, polynomials, delta)
}

/** S with given coefficients of the columns too. */
export function sumOfSquaresWith(filtered: Filtered, beta: readonly number[]): number {
  let sum = 0
  filtered.counts.forEach((counts, t) => {
    if (counts) sum += errorAt(filtered, beta, t) ** 2 / filtered.variances[t]!
  })
  return sum
}

/** The error of the one-step prediction of a period, columns taken out. */
export function errorAt({ errors }: Filtered, beta: readonly number[], t: number): number {
  let error = errors[0]![t]!
  for (let j = 0; j < beta.length; j++) error -= beta[j]! * errors[j + 1]![t]!
  return error
}

/** Least squares of the errors of the values on those of the columns, each by its own standard deviation, by QR. */
function generalized(
  { errors, variances, counts }: Filtered,
  columns: number,
): { readonly beta: readonly number[]; readonly sumOfSquares: number } {
  const rows: number[] = []
  for (let t = 0; t < counts.length; t++) if (counts[t]) rows.push(t)
  const scaled = errors.map((own) => {
    const list = new Float64Array(rows.length)
    for (let i = 0; i < list.length; i++) list[i] = own[rows[i]!]! / Math.sqrt(variances[rows[i]!]!)
    return list
  })
  const [y, ...x] = scaled as [Float64Array, ...Float64Array[]]
  const beta = columns === 0 ? [] : columns === 1 ? [alone(y, x[0]!)] : byQr(y, x)
  let sumOfSquares = 0
  for (let i = 0; i < y.length; i++) {
    let left = y[i]!
    for (let j = 0; j < columns; j++) left -= beta[j]! * x[j]![i]!
    sumOfSquares += left * left
  }
  return { beta, sumOfSquares }
}

/** One column is its own Q, and its length is R. */
function alone(y: Float64Array, x: Float64Array): number {
  const length = lengthOf(x)
  let along = 0
  for (let i = 0; i < y.length; i++) along += (x[i]! / length) * y[i]!
  return along / length
}

function lengthOf(x: Float64Array): number {
  let sum = 0
  for (let i = 0; i < x.length; i++) sum += x[i]! ** 2
  return Math.sqrt(sum)
}

function byQr(y: Float64Array, x: readonly Float64Array[]): number[] {
  const lengths = x.map(lengthOf)
  const design = new Matrix(y.length, x.length)
  x.forEach((column, j) => column.forEach((own, i) => design.set(i, j, own / lengths[j]!)))
  const solved = new QrDecomposition(design).solve(Matrix.columnVector([...y]))
  return lengths.map((length, j) => solved.get(j, 0) / length)
}

function requireIndependent(
  columns: readonly ArimaColumn[],
  differenced: readonly Float64Array[],
  where: string,
): void {
  const basis: Float64Array[] = []
  columns.forEach(({ name, values }, j) => {
    const rest = Float64Array.from(differenced[j]!)
    const size = Math.hypot(...values)
    // Twice: what rounding leaves of the first pass is taken out by the second.
    for (let pass = 0; pass < 2; pass++) {
      for (const own of basis) {
        let along = 0
        for (let i = 0; i < rest.length; i++) along += own[i]! * rest[i]!
        for (let i = 0; i < rest.length; i++) rest[i]! -= along * own[i]!
      }
    }
    const left = Math.hypot(...rest)
    if (!(left > DEPENDENT * Math.max(size, Math.hypot(...differenced[j]!)))) {
      throw new Refusal(
        `Once it is differenced, the column ${name} says nothing that the model does not say already. Take it out.`,
        where,
        { column: name, columns: columns.slice(0, j + 1).map((one) => one.name) },
      )
    }
    basis.push(rest.map((one) => one / left))
  })
}
