import { Matrix, QrDecomposition } from 'ml-matrix'
import type { Value } from '../series/series'
import type { InitialStates, SmoothingForm, Weights } from './forms'
import { packStates, packWeights, runnerOf } from './recursion'

/**
 * With additive parts throughout and errors of one size, fitted values are linear in the initial states: for the weights
 * that were chosen those are then a regression, and exact.
 */
export function exactStates(
  values: readonly Value[],
  form: SmoothingForm,
  seasons: number,
  weights: Weights,
  states: InitialStates,
): InitialStates {
  const isLinear =
    form.error === 'additive' && form.trend !== 'multiplicative' && form.season !== 'multiplicative'
  if (!isLinear) return states
  const runner = runnerOf(values, form, seasons)
  const packed = packWeights(weights)
  const hasTrend = form.trend !== 'none'
  const units: InitialStates[] = [
    { level: 1, trend: 0, season: Array<number>(seasons).fill(0) },
    ...(hasTrend ? [{ level: 0, trend: 1, season: Array<number>(seasons).fill(0) }] : []),
    ...(form.season === 'none'
      ? []
      : Array.from({ length: seasons - 1 }, (_, k) => ({
          level: 0,
          trend: 0,
          season: Array.from({ length: seasons }, (_, j) =>
            j === k ? 1 : j === seasons - 1 ? -1 : 0,
          ),
        }))),
  ]
  const errorsFrom = (from: InitialStates) => {
    runner.run(packed, packStates(from))
    return [...runner.error].filter((e) => !Number.isNaN(e))
  }
  const none = errorsFrom({ level: 0, trend: 0, season: Array<number>(seasons).fill(0) })
  const columns = units.map((unit) => {
    const own = errorsFrom(unit)
    return own.map((e, i) => none[i]! - e)
  })
  const solved = solve(columns, none)
  if (!solved) return states
  const [level, ...rest] = solved
  const trend = hasTrend ? rest.shift() : undefined
  return {
    level: level!,
    ...(trend === undefined ? {} : { trend }),
    ...(form.season === 'none' ? {} : { season: [...rest, -rest.reduce((sum, s) => sum + s, 0)] }),
  }
}

/** Least squares without a constant; null where the states cannot be told from one another. */
function solve(columns: readonly number[][], y: readonly number[]): number[] | null {
  if (y.length < columns.length) return null
  const design = new Matrix(columns as number[][]).transpose()
  const factored = new QrDecomposition(design)
  return factored.isFullRank()
    ? factored.solve(Matrix.columnVector(y as number[])).to1DArray()
    : null
}
