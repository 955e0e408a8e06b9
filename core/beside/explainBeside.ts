import { periodLabel } from '../calendar/labels'
import { periodAt } from '../calendar/period'
import { cellsOf, figureOf, operation, plain, type Expression } from '../column/expression'
import type { Explanation } from '../ledger/explain'
import { calendarOfResult, startOfResult } from '../ledger/calendarOfResult'
import { cellValue } from '../ledger/cell'
import type { Result } from '../result'
import { smoothBy } from '../smoothing/averageKinds'
import { detrend } from '../trend/detrend'
import { besideColumn, type Beside } from './besideColumn'

/** The row that a figure beside the ledger is made from. */
type From = 'value' | 'deseasonalized'

/**
 * The arithmetic of a figure that is looked at beside the ledger.
 *
 * @param t time code, in the analysed span
 * @returns for an undefined figure, the reason in one sentence
 * @throws Refusal as {@link besideColumn} does
 */
export function explainBeside(result: Result, beside: Beside, t: number): Explanation {
  const { row, values } = besideColumn(result, beside)
  const first = result.columns.t[0]!
  const about = {
    cell: { column: row.column, t },
    title: `${row.label}, ${row.offset % 1 === 0 ? label(result, t) : between(result, t + row.offset)}`,
    means: row.means,
    unit: row.unit,
  }
  const value = values[t - first] ?? null
  if (value === null) {
    return {
      ...about,
      defined: false,
      because: 'A value that this needs is missing, not above 0, or lies outside the series.',
    }
  }
  const expression = arithmeticOf(result, beside, t)
  return {
    ...about,
    defined: true,
    value,
    expression,
    sources: cellsOf(expression),
    reading: null,
    localFit: null,
  }
}

function arithmeticOf(result: Result, beside: Beside, t: number): Expression {
  const { seasons } = result.series
  const cell = (at: number, from: From = 'value') => cellOf(result, from, at)
  const last = (order: number) => Array.from({ length: order }, (_, i) => cell(t - order + 1 + i))
  switch (beside.kind) {
    case 'average': {
      const { weights, reach } = smoothBy(result.columns.value, beside.by, seasons)
      const terms = weights.map((_, j) => cell(t + reach + j))
      if (weights.every((weight) => weight === weights[0])) {
        return { kind: 'average', how: 'mean', terms }
      }
      return terms
        .map((term, j) => operation(figureOf(`w${j + 1}`, weights[j]!), '×', term))
        .reduce((sum, term) => operation(sum, '+', term))
    }
    case 'rolling-mean':
      return { kind: 'average', how: 'mean', terms: last(beside.order) }
    case 'rolling-deviation':
      return { kind: 'average', how: 'standard-deviation', terms: last(beside.order) }
    case 'detrended': {
      const { trend } = detrend(result.columns.value, beside.form)
      const own = figureOf(`${beside.form} trend`, trend[t - result.columns.t[0]!]!)
      return operation(cell(t), beside.form === 'exponential' ? '÷' : '−', own)
    }
    case 'differenced':
      return differenceOf(beside.how, t, seasons, cell)
    case 'growth':
      return growthOf(beside, t, seasons, cell)
  }
}

function differenceOf(
  how: (Beside & { kind: 'differenced' })['how'],
  t: number,
  seasons: number,
  cell: (at: number) => Expression,
): Expression {
  const lag = (at: number, by: number) => operation(cell(at), '−', cell(at - by))
  switch (how) {
    case 'first':
      return lag(t, 1)
    case 'second':
      return operation(lag(t, 1), '−', lag(t - 1, 1))
    case 'seasonal':
      return lag(t, seasons)
    case 'seasonal-first':
      return operation(lag(t, seasons), '−', lag(t - 1, seasons))
  }
}

function growthOf(
  { rate, on }: Beside & { kind: 'growth' },
  t: number,
  seasons: number,
  cell: (at: number, from: From) => Expression,
): Expression {
  const ratio = (lag: number) => operation(cell(t, on), '÷', cell(t - lag, on))
  const percent = (share: Expression) => operation(plain(100), '×', operation(share, '−', plain(1)))
  switch (rate) {
    case 'periodOnPeriod':
      return percent(ratio(1))
    case 'annualizedSimple':
      return operation(plain(seasons), '×', percent(ratio(1)))
    case 'annualizedCompounded':
      return percent({ kind: 'power', of: ratio(1), power: seasons })
    case 'yearOnYear':
      return percent(ratio(seasons))
  }
}

function cellOf(result: Result, column: From, t: number): Expression {
  const name = column === 'value' ? 'sales' : 'deseasonalized'
  return {
    kind: 'cell',
    cell: { column, t },
    symbol: `${name} (${label(result, t)})`,
    value: cellValue(result, { column, t })!,
  }
}

function label(result: Result, t: number): string {
  const calendar = calendarOfResult(result)
  return periodLabel(periodAt(startOfResult(result), t, calendar.seasons), calendar)
}

function between(result: Result, at: number): string {
  return `between ${label(result, Math.floor(at))} and ${label(result, Math.ceil(at))}`
}
