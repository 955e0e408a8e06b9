import { formatFigure } from '~/figures/format'
import type { Column } from '~~/core/column/column'
import type { Value } from '~~/core/series/series'

/** A cell as it is read out: row, period, and its figure in full; or that there is none. */
export function cellWords(row: Column, period: string, value: Value): string {
  const nothing = row.component === 'trendCycle' ? 'no average here' : 'no figure here'
  return `${row.label}, ${period}: ${value === null ? nothing : `${formatFigure(value)} ${row.unit}`}`
}
