import type { FigureTable } from '../../core/ledger/table'
import { SheetDraft, type Sheet } from './sheet'

const NARROWEST = 10
const WIDEST = 32

/** A table as the only sheet of a workbook: figures as they are, shown with the decimals of their column. */
export function tableSheet(
  name: string,
  { heading = [], header, rows, decimals }: FigureTable,
): Sheet {
  const sheet = new SheetDraft()
  heading.forEach((line, i) => sheet.put(i, 0, { value: line, look: i === 0 ? 'title' : 'text' }))
  const top = heading.length === 0 ? 0 : heading.length + 1
  sheet.line(top, header, 'heading')
  rows.forEach((row, i) =>
    row.forEach((value, j) => {
      if (value === null) return
      const shown = typeof value === 'number' && decimals ? { decimals: decimals[j] ?? 0 } : {}
      sheet.put(top + 1 + i, j, { value, look: 'text', ...shown })
    }),
  )
  const widths = header.map((text) => Math.min(WIDEST, Math.max(NARROWEST, text.length + 1)))
  return sheet.done(name, { rows: top + 1, columns: 1 }, widths)
}
