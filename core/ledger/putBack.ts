import type { Column } from '../column/column'
import { figureOf, operation, type Expression } from '../column/expression'
import type { Run } from '../column/run'
import { limitNamed } from '../forecast/columns'
import type { ForecastParts } from '../forecast/way'
import type { AnyForecastWay, Ahead, ForecastOptions } from '../forecast/ways'
import { putBackArithmetic, putBackErrorArithmetic } from '../prepare/columns'
import type { TakenOut } from '../prepare/prepare'
import type { Result } from '../result'
import { normalQuantile } from '../statistics/distributions'

/** What a forecast says of the values as the preparations leave them stands under the name of its row and this. */
const INSIDE = ', prepared'
/** The row of the forecast before what was taken out comes back. */
export const FORECAST_INSIDE = `forecast${INSIDE}`

/** They are steps on the way to the rows that one reads. */
const PREPARED = { name: 'prepared', label: 'before what was taken out comes back' } as const

/** The rows of a forecast that what was taken out comes back into. */
function comesBack(column: string): boolean {
  return ['fitted', 'residual', 'forecast'].includes(column) || limitNamed(column) !== null
}

/**
 * The rows of a forecast whose values were prepared: those of its way, which knows the prepared values alone, and each that
 * what was taken out comes back into once more, with it.
 */
export function columnsPutBack(
  run: Run,
  way: AnyForecastWay,
  parts: ForecastParts<ForecastOptions, Ahead>,
  { found, fitted, forecast, limits }: NonNullable<Result['takenOut']>,
): Column[] {
  const whole = way.columns(run, parts)
  const inside = way
    .columns(insideRun(run, fitted), { ...parts, ahead: { ...parts.ahead, forecast, limits } })
    // Limits from past errors lie around the forecast as it is read.
    .filter(({ name }) => !parts.ahead.pastErrors || limitNamed(name) === null)
  const names = new Set(inside.map(({ name }) => name))
  const isRenamed = (name: string) => comesBack(name) && names.has(name)
  return [
    ...inside.map((column) =>
      isRenamed(column.name)
        ? {
            ...column,
            name: `${column.name}${INSIDE}`,
            label: `${column.label}${INSIDE}`,
            symbol: `${column.symbol}${INSIDE}`,
            group: PREPARED,
            strip: null,
          }
        : column,
    ),
    ...whole.flatMap((column) => {
      const { name } = column
      if (!comesBack(name)) return []
      if (!isRenamed(name)) return [column]
      return [
        {
          ...column,
          ...(name === 'residual' ? {} : { means: 'with what was taken out' }),
          arithmetic: (t: number) =>
            name === 'residual'
              ? operation(run.cell('value', t), '−', run.cell('fitted', t))
              : wholeArithmetic(run, found, name, t),
        },
      ]
    }),
  ]
}

/** A figure with what was taken out in it again; a limit lies further from the forecast by what is not known of that. */
function wholeArithmetic(run: Run, found: TakenOut, name: string, t: number): Expression {
  const own = putBackArithmetic(run, found, run.cell(`${name}${INSIDE}`, t), t)
  const limit = limitNamed(name)
  const forecast = run.cell('forecast', t)
  const error = limit && putBackErrorArithmetic(run, found, forecast, t)
  if (!limit || !error) return own
  const squared = (of: Expression): Expression => ({ kind: 'power', of, power: 2 })
  const isLower = limit.side === 'lower'
  const apart = isLower ? operation(forecast, '−', own) : operation(own, '−', forecast)
  const reach = operation(
    figureOf(`z of ${limit.level}%`, normalQuantile(limit.level), {
      kind: 'normal-quantile',
      level: limit.level,
    }),
    '×',
    error,
  )
  return operation(forecast, isLower ? '−' : '+', {
    kind: 'root',
    of: operation(squared(apart), '+', squared(reach)),
  })
}

/** The ledger as the way of forecasting knows it: its own rows are those of the prepared values. */
function insideRun(run: Run, fitted: Run['columns']['fitted']): Run {
  const own = (name: string) => (comesBack(name) ? `${name}${INSIDE}` : name)
  return {
    ...run,
    columns: {
      ...run.columns,
      fitted,
      residual: run.input.values.map((value, i) =>
        value === null || fitted[i] === null ? null : value - fitted[i]!,
      ),
    },
    value: (name, t) => run.value(own(name), t),
    arithmetic: (name, t) => run.arithmetic(own(name), t),
    whyUndefined: (name, t) => run.whyUndefined(own(name), t),
    cell: (name, t) => run.cell(own(name), t),
  }
}
