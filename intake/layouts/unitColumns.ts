import { countUp, textAt, type Row } from '../grid'
import { Unreadable } from '../inquiry'
import type { ColumnRole } from '../reading'
import type { RawSeries } from './observations'
import { isOneUnit } from '../numbers/sameUnit'
import { looksLikeUnit } from './units'

/** The column that says the unit of a column of values, by the column of the values. */
export type UnitColumns = ReadonlyMap<number, number>

const UNIT_HEADING = /unit|currency|einheit|w[äa]hrung|unit[ée]|devise|moneda|unidad|uom|measure/i

/**
 * Finds columns of units: a sign or code in a cell of its own, before or behind each value, or one column of units for the only
 * column of values.
 *
 * @param data entries of the rows with a period
 */
export function findUnitColumns(
  rows: readonly Row[],
  data: readonly number[],
  roles: readonly ColumnRole[],
  headings: readonly string[],
): UnitColumns {
  const values = countUp(roles.length).filter((column) => roles[column] === 'value')
  const units = countUp(roles.length).filter((column) => {
    if (roles[column] !== 'ignored') return false
    const filled = data.map((at) => textAt(rows[at]!, column)).filter((text) => text !== '')
    return filled.length >= data.length / 2 && filled.every(looksLikeUnit)
  })
  const [firstUnit] = units
  const [firstValue] = values
  if (firstUnit === undefined || firstValue === undefined) return new Map()
  if (values.length === 1) {
    const own =
      units.find((column) => UNIT_HEADING.test(headings[column]!)) ??
      units.find((column) => Math.abs(column - firstValue) === 1)
    return new Map(own === undefined ? [] : [[firstValue, own]])
  }
  const side = firstUnit < firstValue ? -1 : 1
  return new Map(
    values.flatMap((column): [number, number][] =>
      units.includes(column + side) ? [[column, column + side]] : [],
    ),
  )
}

/**
 * The series with the units that stand beside their values.
 *
 * @throws Unreadable where the rows of a series have different units
 */
export function withUnits(
  series: readonly RawSeries[],
  rows: readonly Row[],
  units: UnitColumns,
): RawSeries[] {
  if (units.size === 0) return [...series]
  const byLine = new Map(rows.map((row) => [row.line, row]))
  return series.map((own) => {
    const found = new Map<string, number>()
    for (const { line, column, cell } of own.observations) {
      const unit = units.get(column)
      const text = unit === undefined || cell === '' ? '' : textAt(byLine.get(line)!, unit)
      if (text !== '' && !found.has(text)) found.set(text, line)
    }
    const [first, other] = [...found]
    if (first && other && !isOneUnit(found.keys())) {
      throw new Unreadable([
        {
          line: other[1],
          column: (units.get(own.observations[0]!.column) ?? 0) + 1,
          because: `"${own.name.slice(0, 60)}" is counted in ${other[0]} here and in ${first[0]} on line ${first[1]}; a series has one unit. Bring them in apart, or convert them first.`,
        },
      ])
    }
    return first && own.unit === '' ? { ...own, unit: first[0] } : own
  })
}
