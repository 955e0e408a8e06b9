import type { RegressionFigure } from '../../../core/column/expression'
import { evaluate } from '../../../core/column/kinds/kinds'
import type { LedgerPlaces } from '../ledgerPlaces'
import type { SheetDraft } from '../sheet'
import { coefficientOf, HEAD, type RegressionBlock } from './block'

/** Title, coefficients and the sum of squared residuals of a regression, and below them its values and design columns. */
export function writeFit(sheet: SheetDraft, block: RegressionBlock, places: LedgerPlaces): void {
  const { of, left, columns: p } = block
  const { ledger } = places
  const found = (gives: RegressionFigure) => evaluate({ kind: 'regression', gives, of })
  const name = ledger.find(of.y[0]!.cell.column)!.symbol
  const y = of.ofLog ? `ln ${name}` : name
  const labels = of.columns.map(({ label }) => label)
  const title = `Regression of ${y} on ${p === 0 ? 'a constant' : labels.join(', ')}`
  sheet.put(HEAD.title, left, { value: title, look: 'title' })
  for (const [i, value] of ['period', y, 'constant', ...labels].entries()) {
    sheet.put(HEAD.labels, left + i, { value, look: 'heading' })
  }
  sheet.put(HEAD.coefficients, left, { value: 'coefficient', look: 'text' })
  sheet.put(HEAD.sse, left, { value: 'sum of squared residuals', look: 'text' })

  const values = block.past(block.valueColumn)
  for (let at = 0; at <= p; at++) {
    sheet.put(HEAD.coefficients, block.constantColumn + at, {
      value: found({ figure: 'coefficient', at }),
      formula: p === 0 ? `AVERAGE(${values})` : coefficientOf(values, block.design(p), p, at),
      look: 'formula',
    })
  }
  sheet.put(HEAD.sse, block.valueColumn, {
    value: found({ figure: 'sse' }),
    formula:
      p === 0
        ? `DEVSQ(${values})`
        : `INDEX(LINEST(${values},${block.design(p)},TRUE(),TRUE()),5,2)`,
    look: 'formula',
  })
  of.y.forEach(({ cell, value }, i) => {
    const row = HEAD.periods + i
    const address = places.cell(cell)!
    sheet.put(row, left, { value: ledger.run.label(cell.t), look: 'text' })
    sheet.put(row, block.valueColumn, {
      value: of.ofLog ? Math.log(value) : value,
      formula: of.ofLog ? `LN(${address})` : address,
      look: 'formula',
    })
    writeDesign(sheet, block, places, row, cell.t)
  })
}

/**
 * The constant and the design columns of a period; those that are rows of the ledger as they stand there.
 *
 * @param from place of the first column that takes part, the others left empty; all, and the constant, when left out
 */
export function writeDesign(
  sheet: SheetDraft,
  block: RegressionBlock,
  places: LedgerPlaces,
  row: number,
  t: number,
  from: number | null = null,
): void {
  const { of } = block
  if (from === null) sheet.put(row, block.constantColumn, { value: 1, look: 'calculated' })
  of.columns.forEach((column, j) => {
    const at = block.designColumn(j)
    if (from !== null && j < from) return
    const value = column.at(t)
    const name = of.rows?.[j]
    const formula = name === undefined ? null : places.cell({ column: name, t })
    sheet.put(
      row,
      at,
      formula ? { value, formula, look: 'formula' } : { value, look: 'calculated' },
    )
  })
}
