import type { Column } from '../column/column'
import { Refusal } from '../refusal'
import { axisOf } from '../calendar/axis'
import type { Result } from '../result'
import type { Series } from '../series/series'
import { ledgerOf } from './ledger'

/** Whether a row can be a series: it has figures of the past, one at a period, and is not what came in. */
export function canBeSeries({ name, actual, offset }: Column): boolean {
  return name !== 'value' && name !== 'original' && offset % 1 === 0 && actual !== null
}

/**
 * A row of the method by its name.
 *
 * @throws Refusal for one that the method does not have
 */
export function rowNamed(result: Result, name: string): Column {
  const column = ledgerOf(result).find(name)
  if (!column) throw new Refusal(`The method has no row ${name} any more.`, 'row')
  return column
}

/**
 * A calculated row as a series of its own: its figures of the past, in the unit that they are in.
 *
 * @param column of the ledger, or one that is looked at beside it
 * @param called what the row is called in the name of the series
 * @throws Refusal for a row that stands between two periods, or has figures of the forecast alone
 * @example the row `deseasonalized` of Exterior paint: the series `Deseasonalized of Exterior paint`, in litres
 */
export function rowAsSeries(result: Result, column: Column, called = column.label): Series {
  const { run } = ledgerOf(result)
  if (!canBeSeries(column)) {
    throw new Refusal(
      column.offset % 1 === 0
        ? `${column.label} has no figures of the past that could be a series.`
        : `${column.label} stands between two periods, and a series needs its values at periods.`,
      'row',
    )
  }
  const { actual } = column
  const first = actual!.findIndex((value) => value !== null)
  if (first < 0) throw new Refusal(`${column.label} has no figures at all.`, 'row')
  const last = actual!.findLastIndex((value) => value !== null)
  const { series } = result
  const isCounted = column.measure === 'level' || column.measure === 'difference'
  return {
    name: `${called} of ${series.name}`,
    unit: column.unit,
    noun: column.symbol,
    // A factor or a share does not add up over time.
    quantity: isCounted ? series.quantity : 'level',
    calendar: run.calendar,
    start: axisOf(run).periodAt(run.firstT + first),
    values: actual!.slice(first, last + 1),
  }
}
