import { evaluate } from '../../../core/column/kinds/kinds'
import { addressOf, type SheetDraft } from '../sheet'
import { across, HEAD, TREND, type RegressionBlock } from './block'

/** The mean of exp(residual): what makes a mean of what comes back from logarithms. */
export function writeSmearing(sheet: SheetDraft, block: RegressionBlock): void {
  const { of, left, columns, constantColumn } = block
  const last = block.designColumn(columns - 1)
  const coefficients = [0, ...of.columns.map((_, j) => j + 1)].map((at) =>
    evaluate({ kind: 'regression', gives: { figure: 'coefficient', at }, of }),
  )
  const fitted = (t: number) =>
    of.columns.reduce((sum, { at }, j) => sum + coefficients[j + 1]! * at(t), coefficients[0]!)
  sheet.put(HEAD.labels, block.smearingColumn, { value: 'exp(residual)', look: 'heading' })
  of.y.forEach(({ value, cell: { t } }, i) => {
    const row = HEAD.periods + i
    const weights = across(HEAD.coefficients, constantColumn, last)
    const fit = `SUMPRODUCT(${weights},${across(row, constantColumn, last)})`
    sheet.put(row, block.smearingColumn, {
      value: Math.exp(Math.log(value) - fitted(t)),
      formula: `EXP(${addressOf(TREND, row, block.valueColumn)}-${fit})`,
      look: 'formula',
    })
  })
  sheet.put(HEAD.smearing, left, { value: 'mean of exp(residual)', look: 'text' })
  sheet.put(HEAD.smearing, block.valueColumn, {
    value: evaluate({ kind: 'regression', gives: { figure: 'smearing' }, of }),
    formula: `AVERAGE(${block.past(block.smearingColumn)})`,
    look: 'formula',
  })
}
