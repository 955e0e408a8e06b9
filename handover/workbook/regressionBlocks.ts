import type { Regression, RegressionFigure } from '../../core/column/expression'
import { evaluate } from '../../core/column/kinds/kinds'
import { leastSquares } from '../../core/regression/leastSquares'
import type { LedgerPlaces } from './ledgerPlaces'
import {
  addressOf,
  columnLetters,
  fixedAddressOf,
  fixedRangeOf,
  type Look,
  type SheetDraft,
} from './sheet'

export const TREND = 'Trend'

/** Rows of a block, from 0. */
const ROW = {
  title: 0,
  labels: 1,
  coefficients: 2,
  sse: 3,
  smearing: 4,
  norms: 5,
  first: 7,
} as const

/** A regression as it stands in a workbook: its rows, its coefficients, and what follows from them. */
interface Block {
  readonly of: Regression
  /** Its first column in the sheet. */
  readonly left: number
  /** Whether the leverage of the forecast, or the smearing of its logarithms, is asked for. */
  hasLeverage: boolean
  hasSmearing: boolean
}

/**
 * The regressions of the sheet of the trend, side by side.
 *
 * Coefficients come from the standard function for linear regressions on the design columns. The leverage of a period ahead is
 * taken from what each design column adds to those before it (its residual in a regression on them): what they add has no part in
 * common, so that x₀ᵀ(XᵀX)⁻¹x₀ is the sum of their shares, and no digits go as they would in an inverse of XᵀX.
 */
export class RegressionBlocks {
  readonly #places: LedgerPlaces
  readonly #blocks: Block[] = []
  readonly #byContent = new Map<string, Block>()
  readonly #known = new WeakMap<Regression, Block>()

  constructor(places: LedgerPlaces) {
    this.#places = places
  }

  address(gives: RegressionFigure, of: Regression): string | null {
    const block = this.#blockOf(of)
    switch (gives.figure) {
      case 'coefficient':
        return fixedAddressOf(TREND, ROW.coefficients, block.left + 2 + gives.at)
      case 'sse':
        return fixedAddressOf(TREND, ROW.sse, block.left + 1)
      case 'smearing':
        block.hasSmearing = true
        return fixedAddressOf(TREND, ROW.smearing, block.left + 1)
      case 'leverage': {
        const { lastT, endT } = this.#places.ledger.run
        if (gives.t <= lastT || gives.t > endT) return null
        block.hasLeverage = true
        return fixedAddressOf(TREND, this.#rowAhead(block, gives.t), this.#leverageColumn(block))
      }
    }
  }

  /** Writes every block, once nothing more is asked for. */
  write(sheet: SheetDraft): void {
    for (const block of this.#blocks) this.#write(block, sheet)
  }

  /** Of the columns of all blocks, in characters: each begins with words. */
  get widths(): number[] {
    return this.#blocks.flatMap(({ of }) => {
      const others = Array.from({ length: widthOf(of) - 2 }, () => 12)
      return [38, 15, ...others]
    })
  }

  get width(): number {
    const last = this.#blocks.at(-1)
    return last ? last.left + widthOf(last.of) : 0
  }

  #blockOf(of: Regression): Block {
    const known = this.#known.get(of)
    if (known) return known
    // The same regression is made anew by every column that asks for it.
    const key = keyOf(of)
    const block = this.#byContent.get(key) ?? this.#add(of)
    this.#byContent.set(key, block)
    this.#known.set(of, block)
    return block
  }

  #add(of: Regression): Block {
    const block = { of, left: this.width, hasLeverage: false, hasSmearing: false }
    this.#blocks.push(block)
    return block
  }

  /** Of the periods that it is fitted to. */
  #rows({ of }: Block) {
    return { from: ROW.first, to: ROW.first + of.y.length - 1 }
  }

  #rowAhead(block: Block, t: number): number {
    return this.#rows(block).to + 2 + (t - this.#places.ledger.run.lastT)
  }

  /** What a design column adds to those before it. */
  #addedColumn({ left, of }: Block, j: number): number {
    return left + 4 + of.columns.length + j
  }

  #leverageColumn(block: Block): number {
    return this.#addedColumn(block, block.of.columns.length)
  }

  #write(block: Block, sheet: SheetDraft): void {
    const { of, left } = block
    const { ledger } = this.#places
    const { from, to } = this.#rows(block)
    const p = of.columns.length
    const text = (row: number, column: number, value: string, look: Look = 'heading') =>
      sheet.put(row, column, { value, look })
    const figure = (row: number, column: number, value: number, formula: string) =>
      sheet.put(row, column, { value, formula, look: 'formula' })
    const found = (gives: RegressionFigure) => evaluate({ kind: 'regression', gives, of })

    const name = ledger.find(of.y[0]!.cell.column)!.symbol
    const y = of.ofLog ? `ln ${name}` : name
    const on = of.columns.map(({ label }) => label).join(', ')
    text(ROW.title, left, `Regression of ${y} on ${on === '' ? 'a constant' : on}`, 'title')
    const labels = ['period', y, 'constant', ...of.columns.map(({ label }) => label)]
    labels.forEach((label, i) => text(ROW.labels, left + i, label))
    text(ROW.coefficients, left, 'coefficient', 'text')
    text(ROW.sse, left, 'sum of squared residuals', 'text')

    const values = fixedRangeOf(TREND, from, to, left + 1)
    const design = this.#designRange(block, p)
    for (let j = 0; j <= p; j++) {
      // The function gives the last column first, the constant last.
      const formula =
        p === 0 ? `AVERAGE(${values})` : linear(values, design, j === 0 ? p + 1 : p + 1 - j)
      figure(ROW.coefficients, left + 2 + j, found({ figure: 'coefficient', at: j }), formula)
    }
    figure(
      ...([ROW.sse, left + 1, found({ figure: 'sse' })] as const),
      p === 0 ? `DEVSQ(${values})` : `INDEX(LINEST(${values},${design},TRUE(),TRUE()),5,2)`,
    )
    of.y.forEach((cell, i) => {
      const row = from + i
      text(row, left, ledger.run.label(cell.cell.t), 'text')
      const value = of.ofLog ? Math.log(cell.value) : cell.value
      const address = this.#places.cell(cell.cell)!
      figure(row, left + 1, value, of.ofLog ? `LN(${address})` : address)
      this.#writeDesign(block, sheet, row, cell.cell.t)
    })
    if (block.hasSmearing) this.#writeSmearing(block, sheet)
    if (block.hasLeverage) this.#writeLeverage(block, sheet)
  }

  /** The constant and the design columns of a period; those that are rows of the ledger as they stand there. */
  #writeDesign({ of, left }: Block, sheet: SheetDraft, row: number, t: number): void {
    sheet.put(row, left + 2, { value: 1, look: 'calculated' })
    of.columns.forEach((column, j) => {
      const value = column.at(t)
      const name = of.rows?.[j]
      const formula = name === undefined ? null : this.#places.cell({ column: name, t })
      sheet.put(
        row,
        left + 3 + j,
        formula ? { value, formula, look: 'formula' } : { value, look: 'calculated' },
      )
    })
  }

  /** The mean of exp(residual): what makes a mean of what comes back from logarithms. */
  #writeSmearing(block: Block, sheet: SheetDraft): void {
    const { of, left } = block
    const { from, to } = this.#rows(block)
    const column = this.#leverageColumn(block) + 1
    const value = evaluate({ kind: 'regression', gives: { figure: 'smearing' }, of })
    const coefficients = of.columns.map((_, j) =>
      evaluate({ kind: 'regression', gives: { figure: 'coefficient', at: j + 1 }, of }),
    )
    const constant = evaluate({ kind: 'regression', gives: { figure: 'coefficient', at: 0 }, of })
    sheet.put(ROW.smearing, left, { value: 'mean of exp(residual)', look: 'text' })
    sheet.put(ROW.labels, column, { value: 'exp(residual)', look: 'heading' })
    const last = columnLetters(left + 2 + of.columns.length)
    const first = columnLetters(left + 2)
    of.y.forEach(({ value: own, cell: { t } }, i) => {
      const row = from + i
      const fit = of.columns.reduce((sum, { at }, j) => sum + coefficients[j]! * at(t), constant)
      const line = `${TREND}!$${first}$${ROW.coefficients + 1}:$${last}$${ROW.coefficients + 1}`
      sheet.put(row, column, {
        value: Math.exp(Math.log(own) - fit),
        formula: `EXP(${addressOf(TREND, row, left + 1)}-SUMPRODUCT(${line},${TREND}!${first}${row + 1}:${last}${row + 1}))`,
        look: 'formula',
      })
    })
    const formula = `AVERAGE(${fixedRangeOf(TREND, from, to, column)})`
    sheet.put(ROW.smearing, left + 1, { value, formula, look: 'formula' })
  }

  /** What each column adds to those before it, at the periods fitted and ahead; and the leverage that they make. */
  #writeLeverage(block: Block, sheet: SheetDraft): void {
    const { of, left } = block
    const { ledger } = this.#places
    const { lastT, endT } = ledger.run
    const { from, to } = this.#rows(block)
    const p = of.columns.length
    const past = of.y.map(({ cell }) => cell.t)
    const ahead = Array.from({ length: endT - lastT }, (_, i) => lastT + 1 + i)
    const sharesRow = this.#rowAhead(block, endT) + 2
    const heading = (column: number, value: string) =>
      sheet.put(ROW.labels, column, { value, look: 'heading' })
    const figure = (row: number, column: number, value: number, formula: string) =>
      sheet.put(row, column, { value, formula, look: 'formula' })
    ahead.forEach((t) => {
      const row = this.#rowAhead(block, t)
      sheet.put(row, left, { value: ledger.run.label(t), look: 'text', isForecast: true })
      this.#writeDesign(block, sheet, row, t)
    })
    if (p > 0) {
      sheet.put(ROW.norms, left, { value: '1 ÷ sum of squares of what is added', look: 'text' })
      sheet.put(sharesRow, left, {
        value: 'how much of each column those before it have',
        look: 'text',
      })
    }
    const norms: number[] = []
    const added = new Map<number, number[]>([...past, ...ahead].map((t) => [t, []]))
    of.columns.forEach((column, j) => {
      const own = this.#addedColumn(block, j)
      heading(own, `${column.label}, added`)
      const values = fixedRangeOf(TREND, from, to, left + 3 + j)
      const row = sharesRow + 1 + j
      const shares = leastSquares(
        past.map(column.at),
        of.columns.slice(0, j).map(({ name, at }) => ({ name, values: past.map(at) })),
        'regression',
      ).coefficients
      sheet.put(row, left, { value: column.label, look: 'text' })
      shares.forEach((share, k) => {
        const place = k === 0 ? j + 1 : j + 1 - k
        const formula =
          j === 0 ? `AVERAGE(${values})` : linear(values, this.#designRange(block, j), place)
        figure(row, left + 2 + k, share, formula)
      })
      const [first, last] = [columnLetters(left + 2), columnLetters(left + 2 + j)]
      const line = `${TREND}!$${first}$${row + 1}:$${last}$${row + 1}`
      for (const [t, row] of this.#everyRow(block, past, ahead)) {
        const rest = shares.reduce(
          (sum, share, k) => sum - share * (k === 0 ? 1 : of.columns[k - 1]!.at(t)),
          column.at(t),
        )
        added.get(t)!.push(rest)
        const x = addressOf(TREND, row, left + 3 + j)
        figure(
          row,
          own,
          rest,
          `${x}-SUMPRODUCT(${line},${TREND}!$${first}${row + 1}:$${last}${row + 1})`,
        )
      }
      const squares = past.reduce((sum, t) => sum + added.get(t)![j]! ** 2, 0)
      norms.push(1 / squares)
      figure(ROW.norms, own, 1 / squares, `1/SUMSQ(${fixedRangeOf(TREND, from, to, own)})`)
    })
    heading(this.#leverageColumn(block), 'h')
    const share = `1/COUNT(${fixedRangeOf(TREND, from, to, left + 1)})`
    const [first, last] = [this.#addedColumn(block, 0), this.#addedColumn(block, p - 1)].map(
      columnLetters,
    )
    for (const t of ahead) {
      const row = this.#rowAhead(block, t)
      const line = `${TREND}!${first}${row + 1}:${last}${row + 1}`
      const squares = `${TREND}!$${first}$${ROW.norms + 1}:$${last}$${ROW.norms + 1}`
      const value = added
        .get(t)!
        .reduce((sum, own, j) => sum + own * own * norms[j]!, 1 / past.length)
      figure(
        row,
        this.#leverageColumn(block),
        value,
        p === 0 ? share : `${share}+SUMPRODUCT(${line},${line},${squares})`,
      )
    }
  }

  *#everyRow(
    block: Block,
    past: readonly number[],
    ahead: readonly number[],
  ): Generator<readonly [number, number]> {
    for (const [i, t] of past.entries()) yield [t, ROW.first + i]
    for (const t of ahead) yield [t, this.#rowAhead(block, t)]
  }

  /** The first so many design columns at the periods fitted. */
  #designRange(block: Block, count: number): string {
    const { from, to } = this.#rows(block)
    const [first, last] = [block.left + 3, block.left + 2 + count].map(columnLetters)
    return `${TREND}!$${first}$${from + 1}:$${last}$${to + 1}`
  }
}

/** A coefficient by the standard function for linear regressions. */
function linear(values: string, design: string, place: number): string {
  return `INDEX(LINEST(${values},${design}),1,${place})`
}

/** Its columns, what they add and the leverage, the smearing, and a gap. */
function widthOf({ columns }: Regression): number {
  return 2 * columns.length + 7
}

/** What a regression is known by: cells, scale and design. */
function keyOf({ y, ofLog, columns }: Regression): string {
  const cells = y.map(({ cell }) => cell.t).join()
  return [y[0]!.cell.column, cells, ofLog, ...columns.map(({ name }) => name)].join('|')
}
