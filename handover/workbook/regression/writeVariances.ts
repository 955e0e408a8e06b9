import { leastSquares } from '../../../core/regression/leastSquares'
import type { LedgerPlaces } from '../ledgerPlaces'
import { addressOf, type SheetDraft } from '../sheet'
import { across, coefficientOf, HEAD, TREND, type RegressionBlock } from './block'
import { writeDesign } from './writeFit'

/** A point of the design at which a variance is asked for, or that takes part in it. */
interface Point {
  readonly row: number
  /** The constant, and then one a design column; 0 for those that take no part. */
  readonly x: readonly number[]
  /** Place of the first that takes part, the constant being 0: those before it are not written. */
  readonly first: number
}

/**
 * The variance of what a regression says, as a multiple of σ²: xᵀ(XᵀX)⁻¹x of the periods ahead, and of a part of the design.
 *
 * It is made of what each design column adds to those before it, its residual in a regression on them: these have no part in
 * common, so that the variance is the sum of their shares, and no digits go as they would in an inverse of XᵀX.
 *
 * @see Golub, G. H. & Van Loan, C. F. (2013), Matrix Computations, 4th ed., sec. 5.2
 */
export function writeVariances(
  sheet: SheetDraft,
  block: RegressionBlock,
  places: LedgerPlaces,
): void {
  const { of } = block
  const past = of.y.map(({ cell: { t } }, i): Point => ({
    row: HEAD.periods + i,
    x: pointAt(block, t),
    first: 0,
  }))
  const asked = [...aheadPoints(sheet, block, places), ...partPoints(sheet, block, places)]
  const shares = writeShares(sheet, block, past)
  const addedAt = ({ x }: Point) =>
    shares.map((own, j) => own.reduce((sum, share, k) => sum - share * x[k]!, x[j + 1]!))
  const added = past.map(addedAt)
  past.forEach((point, i) => writeAdded(sheet, block, point, added[i]!))
  const squares = of.columns.map((_, j) => added.reduce((sum, own) => sum + own[j]! ** 2, 0))
  squares.forEach((square, j) => {
    const column = block.addedColumn(j)
    const formula = `1/SUMSQ(${block.past(column)})`
    sheet.put(HEAD.norms, column, { value: 1 / square, formula, look: 'formula' })
  })
  for (const point of asked) {
    const own = addedAt(point)
    const value = own.reduce(
      (sum, one, j) => sum + one ** 2 / squares[j]!,
      point.x[0]! / past.length,
    )
    writeAdded(sheet, block, point, own)
    writeSum(sheet, block, point, value)
  }
}

function pointAt({ of }: RegressionBlock, t: number, from: number | null = null): number[] {
  const own = of.columns.map(({ at }, j) => (from !== null && j < from ? 0 : at(t)))
  return [from === null ? 1 : 0, ...own]
}

/** The periods of the forecast, where their leverage is asked for. */
function aheadPoints(sheet: SheetDraft, block: RegressionBlock, places: LedgerPlaces): Point[] {
  if (!block.hasLeverage) return []
  const { run } = places.ledger
  sheet.put(HEAD.labels, block.sumColumn, { value: 'h', look: 'heading' })
  return Array.from({ length: run.endT - run.lastT }, (_, i) => {
    const t = run.lastT + 1 + i
    const row = block.rowAhead(t)
    sheet.put(row, block.left, { value: run.label(t), look: 'text', isForecast: true })
    writeDesign(sheet, block, places, row, t)
    return { row, x: pointAt(block, t), first: 0 }
  })
}

/** All periods in a part of the design, where its variance is asked for. */
function partPoints(sheet: SheetDraft, block: RegressionBlock, places: LedgerPlaces): Point[] {
  const { partFrom: from } = block
  if (from === null) return []
  const { run } = places.ledger
  const title = `${block.of.columns
    .slice(from)
    .map(({ label }) => label)
    .join(', ')} alone`
  sheet.put(block.rowOfPart(run.firstT) - 1, block.left, { value: title, look: 'title' })
  return Array.from({ length: run.endT - run.firstT + 1 }, (_, i) => {
    const t = run.firstT + i
    const row = block.rowOfPart(t)
    sheet.put(row, block.left, { value: run.label(t), look: 'text', isForecast: t > run.lastT })
    writeDesign(sheet, block, places, row, t, from)
    return { row, x: pointAt(block, t, from), first: from + 1 }
  })
}

/** How much of each design column those before it have, a line each: the coefficients of a regression on them. */
function writeShares(
  sheet: SheetDraft,
  block: RegressionBlock,
  past: readonly Point[],
): number[][] {
  const { of, left } = block
  if (of.columns.length === 0) return []
  sheet.put(HEAD.norms, left, { value: '1 ÷ sum of squares of what is added', look: 'text' })
  const title = 'how much of each column those before it have'
  sheet.put(block.sharesRow, left, { value: title, look: 'text' })
  const valuesOf = (j: number) => past.map(({ x }) => x[j + 1]!)
  return of.columns.map(({ label }, j) => {
    const row = block.sharesRow + 1 + j
    const before = of.columns.slice(0, j).map(({ name }, k) => ({ name, values: valuesOf(k) }))
    const shares = [...leastSquares(valuesOf(j), before).coefficients]
    const values = block.past(block.designColumn(j))
    sheet.put(row, left, { value: label, look: 'text' })
    sheet.put(HEAD.labels, block.addedColumn(j), { value: `${label}, added`, look: 'heading' })
    shares.forEach((value, k) => {
      const formula = j === 0 ? `AVERAGE(${values})` : coefficientOf(values, block.design(j), j, k)
      sheet.put(row, block.constantColumn + k, { value, formula, look: 'formula' })
    })
    return shares
  })
}

/** What each column of a row has that those before it have not. */
function writeAdded(
  sheet: SheetDraft,
  block: RegressionBlock,
  { row, first }: Point,
  added: readonly number[],
): void {
  const from = block.constantColumn + first
  added.forEach((value, j) => {
    if (j + 1 < first) return
    const last = block.constantColumn + j
    const x = addressOf(TREND, row, block.designColumn(j))
    const shares = across(block.sharesRow + 1 + j, from, last)
    // The first that takes part has nothing before it.
    const formula = last < from ? x : `${x}-SUMPRODUCT(${shares},${across(row, from, last)})`
    sheet.put(row, block.addedColumn(j), { value, formula, look: 'formula' })
  })
}

/** The variance at a row: of the constant 1/n, of every other column the square of what it adds, by that of all periods. */
function writeSum(
  sheet: SheetDraft,
  block: RegressionBlock,
  { row, first }: Point,
  value: number,
): void {
  const { columns } = block
  const [from, last] = [block.addedColumn(Math.max(0, first - 1)), block.addedColumn(columns - 1)]
  const own = across(row, from, last)
  const parts = [
    ...(first === 0 ? [`1/COUNT(${block.past(block.valueColumn)})`] : []),
    ...(columns > 0 ? [`SUMPRODUCT(${own},${own},${across(HEAD.norms, from, last)})`] : []),
  ]
  sheet.put(row, block.sumColumn, { value, formula: parts.join('+'), look: 'formula' })
}
