import type { Places } from './places'
import { TREND } from './regression/block'
import { SheetDraft, type Sheet } from './sheet'

/** The regressions: design columns, coefficients, and what the limits need of them. */
export function trendSheet({ blocks }: Places): Sheet {
  const sheet = new SheetDraft()
  blocks.write(sheet)
  if (sheet.height === 0) {
    sheet.line(0, ['No figure of this method comes from a regression by least squares.'])
  }
  return sheet.done(
    TREND,
    { rows: sheet.height > 1 ? 2 : 0, columns: 0 },
    blocks.widths.length === 0 ? [60] : blocks.widths,
  )
}
