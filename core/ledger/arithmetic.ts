import { periodLabel } from '../calendar/labels'
import { periodAt, parsePeriod, timeCodeOf } from '../calendar/period'
import type { FilledValue, GapEdge } from '../care/fillMissing'
import { calendarOfResult, startOfResult } from './calendarOfResult'
import { cellValue, lastActualT, limitOf, type Cell, type CellColumn } from './cell'
import { ledgerRows } from './rows'
import type { Result, StraightLine } from '../result'
import { loessSeason, loessTrend, weightArithmetic } from '../decompose/loess/arithmetic'
import { figureOf, operation, plain, type Expression } from '../column/expression'

/** The arithmetic of a defined cell, and cells that shaped it without standing in it. */
export interface Arithmetic {
  readonly expression: Expression
  /** What a regression was fitted to: its figures come from all of these at once. */
  readonly alsoFrom: readonly Cell[]
}

/**
 * The expression behind a cell.
 *
 * @param result the result that holds the cell
 * @param cell a cell whose value is defined
 */
export function arithmetic(result: Result, cell: Cell): Arithmetic {
  const { column, t } = cell
  const { method, series } = result
  const { model, by } = method.decompose
  const remove = model === 'multiplicative' ? '÷' : '−'
  const restore = model === 'multiplicative' ? '×' : '+'
  const source = (name: CellColumn, at: number = t) => cellOf(result, name, at)
  const made = (expression: Expression): Arithmetic => ({ expression, alsoFrom: [] })

  const limit = limitOf(column)
  if (limit) return { expression: limitArithmetic(result, t, limit), alsoFrom: [] }
  switch (column) {
    case 'original':
      return made(figureOf('as it came in', cellValue(result, cell)!))
    case 'value':
      return made(usedValue(result, cell))
    case 'movingAverage':
      return made(averageOf(series.seasons, (i) => source('value', t + i)))
    case 'weight':
      return made(weightArithmetic(result, t))
    case 'trendCycle': {
      if (by === 'stl') return made(loessTrend(result, t))
      if (by === 'ratio-to-trend') return lineAt(result, result.trendOfOriginal!, t, 'value')
      if (by === 'simple-averages') return lineAt(result, result.straightTrend, t, 'deseasonalized')
      const half = Math.floor(series.seasons / 2)
      if (series.seasons % 2 === 1) {
        return made(averageOf(series.seasons, (i) => source('value', t - half + i)))
      }
      const two = operation(
        source('movingAverage', t - half),
        '+',
        source('movingAverage', t - half + 1),
      )
      return made(operation(two, '÷', plain(2)))
    }
    case 'seasonalIrregular':
      return made(
        operation(
          source('value'),
          remove,
          by === 'simple-averages'
            ? figureOf('overall mean', result.overallMean!)
            : source('trendCycle'),
        ),
      )
    case 'index':
      return made(by === 'stl' ? loessIndex(result, t) : indexArithmetic(result, t))
    case 'deseasonalized':
      return made(operation(source('value'), remove, source('index')))
    case 'trend':
    case 'forecastDeseasonalized': {
      const [constant, slope] = result.trendFit.terms
      const line = { intercept: constant!.estimate, slope: slope!.estimate }
      return lineAt(result, line, t, 'deseasonalized', result.trendFit.from)
    }
    case 'cycle': {
      const line = lineAt(result, result.straightTrend, t, 'deseasonalized')
      return {
        expression: operation(source('trendCycle'), remove, line.expression),
        alsoFrom: line.alsoFrom,
      }
    }
    case 'irregular':
      return made(
        operation(
          source('value'),
          remove,
          operation(source('trendCycle'), restore, source('index')),
        ),
      )
    case 'recomposed':
      return made(operation(source('trendCycle'), restore, source('index')))
    case 'fitted':
      return made(operation(source('trend'), restore, source('index')))
    case 'residual':
      return made(operation(source('value'), '−', source('fitted')))
    case 'forecast':
      return made(operation(source('forecastDeseasonalized'), restore, source('index')))
    default:
      throw new RangeError(`No arithmetic for ${column} at ${t}.`)
  }
}

function cellOf(result: Result, column: CellColumn, t: number): Expression {
  const period = labelAt(result, t)
  const from = column === 'movingAverage' ? 'from ' : ''
  return {
    kind: 'cell',
    cell: { column, t },
    symbol: `${nameOf(result, column)} (${from}${period})`,
    value: cellValue(result, { column, t })!,
  }
}

/** The value the calculation uses: as it came in, replaced, or filled in. */
function usedValue(result: Result, cell: Cell): Expression {
  const value = cellValue(result, cell)!
  const filled = result.filled.find(({ t }) => t === cell.t)
  if (filled) return fillArithmetic(result, filled)
  const original = { column: 'original', t: cell.t } as const
  if (cellValue(result, original) === value) return figureOf('as it came in', value)
  return figureOf('put in for what came in', value)
}

/** before + (after − before) × steps ÷ gap, and the season put back where it was taken out. */
function fillArithmetic(result: Result, { t, between, index }: FilledValue): Expression {
  if (!between) return figureOf('zero for a missing value', 0)
  const { before, after } = between
  const edge = (at: GapEdge) =>
    index === null
      ? cellOf(result, 'value', at.t)
      : figureOf(`deseasonalized with the gap (${labelAt(result, at.t)})`, at.value)
  const straight = operation(
    edge(before),
    '+',
    operation(
      operation(edge(after), '−', edge(before)),
      '×',
      operation(plain(t - before.t), '÷', plain(after.t - before.t)),
    ),
  )
  if (index === null) return straight
  const restore = result.method.decompose.model === 'multiplicative' ? '×' : '+'
  return operation(straight, restore, figureOf('index with the gap', index))
}

function labelAt(result: Result, t: number): string {
  const calendar = calendarOfResult(result)
  return periodLabel(periodAt(startOfResult(result), t, calendar.seasons), calendar)
}

/** What a row is called inside a formula. */
function nameOf(result: Result, column: CellColumn): string {
  if (column === 'forecastDeseasonalized') return 'deseasonalized forecast'
  const row = ledgerRows(result).find((candidate) => candidate.column === column)
  return row ? row.label.toLowerCase() : column
}

function averageOf(count: number, term: (i: number) => Expression): Expression {
  return { kind: 'average', how: 'mean', terms: Array.from({ length: count }, (_, i) => term(i)) }
}

/** a + b × t, fitted to the defined cells of a column from a time code on. */
function lineAt(
  result: Result,
  line: StraightLine,
  t: number,
  fittedTo: 'value' | 'deseasonalized',
  from = -Infinity,
): Arithmetic {
  const { columns } = result
  return {
    expression: operation(
      figureOf('a', line.intercept),
      '+',
      operation(figureOf('b', line.slope), '×', figureOf('t', t)),
    ),
    alsoFrom: columns.t.flatMap((at, i) =>
      at < from || columns[fittedTo][i] === null ? [] : [{ column: fittedTo, t: at }],
    ),
  }
}

/** With loess, a forecast repeats the index of the season's last year. */
function loessIndex(result: Result, t: number): Expression {
  const last = lastActualT(result)
  const { seasons } = result.series
  return t <= last
    ? loessSeason(result, t)
    : cellOf(result, 'index', t - Math.ceil((t - last) / seasons) * seasons)
}

/** The average of a season's included values, adjusted by the mean of all raw indices. */
function indexArithmetic(result: Result, t: number): Expression {
  const { columns, method } = result
  if (method.decompose.by === 'stl') throw new RangeError('Indices by loess are not averages.')
  const { average, adjust, model } = method.decompose
  const calendar = calendarOfResult(result)
  const season = periodAt(startOfResult(result), t, calendar.seasons).season
  const excluded = new Set(
    method.decompose.exclude.map(({ period }) =>
      timeCodeOf(startOfResult(result), parsePeriod(period, calendar)!, calendar.seasons),
    ),
  )
  const raw: Expression = {
    kind: 'average',
    how: average,
    terms: columns.t.flatMap((at, i) =>
      columns.season[i] === season && columns.seasonalIrregular[i] !== null && !excluded.has(at)
        ? [cellOf(result, 'seasonalIrregular', at)]
        : [],
    ),
  }
  if (!adjust) return raw
  return operation(
    raw,
    model === 'multiplicative' ? '÷' : '−',
    figureOf(`mean of the ${calendar.seasons} raw indices`, result.rawIndexMean!),
  )
}

/** (D ± q × s × √(1 + h)), put back into season. */
function limitArithmetic(
  result: Result,
  t: number,
  { side, level }: { side: 'lower' | 'upper'; level: number },
): Expression {
  const { forecast, method } = result
  const { s, quantiles } = forecast.interval
  const leverage = forecast.leverage[t - lastActualT(result) - 1]!
  const reach = operation(
    operation(figureOf(`t(${level}%)`, quantiles[level]!), '×', figureOf('s', s!)),
    '×',
    { kind: 'root', of: operation(plain(1), '+', figureOf('h', leverage)) },
  )
  const limit = operation(
    cellOf(result, 'forecastDeseasonalized', t),
    side === 'lower' ? '−' : '+',
    reach,
  )
  return operation(
    limit,
    method.decompose.model === 'multiplicative' ? '×' : '+',
    cellOf(result, 'index', t),
  )
}
