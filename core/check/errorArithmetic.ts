import { meanOf, operation, plain, type Expression } from '../column/expression'
import type { SeriesRun } from '../column/run'
import type { ErrorFigures } from './errorFigures'

/**
 * The arithmetic of the error figures of fitted values, down to the cells of values, fitted values and residuals.
 *
 * @param figures as they were found: what is undefined has no arithmetic
 * @param lag of the changes that MASE is scaled by: m, 1 without a season
 * @example rmse: the root of the mean square of the residuals
 */
export function errorArithmetic(
  run: SeriesRun,
  figures: ErrorFigures,
  lag: number,
): Partial<Record<keyof ErrorFigures, Expression>> {
  const periods = Array.from({ length: run.lastT - run.firstT + 1 }, (_, i) => run.firstT + i)
  const fitted = periods.filter((t) => run.value('residual', t) !== null)
  const changed = periods.filter(
    (t) =>
      t - lag >= run.firstT &&
      run.value('value', t) !== null &&
      run.value('value', t - lag) !== null,
  )
  const residual = (t: number) => run.cell('residual', t)
  const value = (t: number) => run.cell('value', t)
  const size = (of: Expression): Expression => ({ kind: 'absolute', of })
  const over = (term: (t: number) => Expression) => meanOf(fitted.length, (i) => term(fitted[i]!))
  const rmse: Expression = {
    kind: 'root',
    of: { kind: 'average', how: 'mean-square', terms: fitted.map(residual) },
  }
  const mae = over((t) => size(residual(t)))
  const hundred = plain(100)
  const all: Record<keyof ErrorFigures, () => Expression> = {
    count: () => ({ kind: 'average', how: 'number', terms: fitted.map(residual) }),
    me: () => over(residual),
    mae: () => mae,
    rmse: () => rmse,
    mape: () =>
      operation(
        hundred,
        '×',
        over((t) => operation(size(residual(t)), '÷', size(value(t)))),
      ),
    smape: () =>
      operation(
        plain(200),
        '×',
        over((t) =>
          operation(
            size(residual(t)),
            '÷',
            operation(size(value(t)), '+', size(run.cell('fitted', t))),
          ),
        ),
      ),
    mase: () =>
      operation(
        mae,
        '÷',
        meanOf(changed.length, (i) =>
          size(operation(value(changed[i]!), '−', value(changed[i]! - lag))),
        ),
      ),
    rmsePercentOfMean: () => operation(operation(hundred, '×', rmse), '÷', over(value)),
  }
  return Object.fromEntries(
    Object.entries(all).flatMap(([key, make]) =>
      figures[key as keyof ErrorFigures] === null ? [] : [[key, make()]],
    ),
  )
}
