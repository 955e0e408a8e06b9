import type { CycleName } from '../calendar/rhythm'
import { oneCycle } from '../calendar/labels'
import { meanOf, operation, plain, type Expression } from '../column/expression'
import { totalsByQuarter, totalsByYear, type Total, type Totalled } from '../forecast/totals'
import type { Result } from '../result'
import { calendarOfResult, startOfResult } from './calendarOfResult'
import type { Ledger } from './ledger'

/** Totals of years, or of quarters. */
export interface TotalsBy {
  readonly by: CycleName | 'quarter'
  readonly rows: readonly Total[]
}

/** What the values and a forecast after them are totalled from. */
export function totalledOf(result: Result, forecast = result.forecast.forecast): Totalled {
  const { columns, series } = result
  return {
    calendar: calendarOfResult(result),
    start: startOfResult(result),
    firstT: columns.t[0]!,
    values: columns.value,
    forecast,
    quantity: series.quantity,
  }
}

/** Totals by year and by quarter, those that there are. */
export function totalsOf(result: Result, forecast = result.forecast.forecast): TotalsBy[] {
  const of = totalledOf(result, forecast)
  const all: TotalsBy[] = [
    { by: oneCycle(of.calendar), rows: totalsByYear(of) },
    { by: 'quarter', rows: totalsByQuarter(of) },
  ]
  return all.filter(({ rows }) => rows.length > 0)
}

/** How the figures of a total come about; null for one that is undefined. */
export interface TotalArithmetic {
  readonly own: Expression | null
  /** The same periods a year earlier. */
  readonly before: Expression | null
  /** In per cent. */
  readonly change: Expression | null
}

/**
 * The arithmetic of a stretch in all, of the same a year earlier, and of the change between them.
 *
 * @param isLevel whether the mean takes the place of the total
 */
export function arithmeticOfTotal(
  ledger: Ledger,
  { from, to }: Pick<Total, 'from' | 'to'>,
  isLevel: boolean,
): TotalArithmetic {
  const { seasons } = ledger.run.calendar
  const own = stretchOf(ledger, from, to, isLevel)
  const before = stretchOf(ledger, from - seasons, to - seasons, isLevel)
  if (!own || !before) return { own, before, change: null }
  const share = operation(operation(own, '÷', before), '−', plain(1))
  return { own, before, change: operation(plain(100), '×', share) }
}

/** Actual values and then the forecast, as one sum, or of a level their mean; null over a gap. */
function stretchOf({ run }: Ledger, from: number, to: number, isLevel: boolean): Expression | null {
  const rowOf = (t: number) => (t > run.lastT ? 'forecast' : 'value')
  for (let t = from; t <= to; t++) if (run.value(rowOf(t), t) === null) return null
  const all = meanOf(to - from + 1, (i) => run.cell(rowOf(from + i), from + i))
  return isLevel || all.kind !== 'average' ? all : { ...all, how: 'sum' }
}
