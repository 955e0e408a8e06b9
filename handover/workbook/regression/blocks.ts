import type { Regression, RegressionFigure } from '../../../core/column/expression'
import type { LedgerPlaces } from '../ledgerPlaces'
import type { SheetDraft } from '../sheet'
import { RegressionBlock } from './block'
import { writeFit } from './writeFit'
import { writeSmearing } from './writeSmearing'
import { writeVariances } from './writeVariances'

/** The regressions of the sheet of the trend, side by side, each with what is asked of it. */
export class RegressionBlocks {
  readonly #places: LedgerPlaces
  readonly #blocks: RegressionBlock[] = []
  readonly #byContent = new Map<string, RegressionBlock>()
  readonly #known = new WeakMap<Regression, RegressionBlock>()

  constructor(places: LedgerPlaces) {
    this.#places = places
  }

  /** Where a figure of a regression lies; null for one that has no place. */
  address(gives: RegressionFigure, of: Regression): string | null {
    const block = this.#blockOf(of)
    const { firstT, lastT, endT } = this.#places.ledger.run
    switch (gives.figure) {
      case 'coefficient':
        return block.coefficient(gives.at)
      case 'sse':
        return block.sse
      case 'smearing':
        block.hasSmearing = true
        return block.smearing
      case 'leverage':
        if (gives.t <= lastT || gives.t > endT) return null
        block.hasLeverage = true
        return block.sumOf(block.rowAhead(gives.t))
      case 'part':
        if (gives.t < firstT || gives.t > endT) return null
        block.partFrom = gives.from
        return block.sumOf(block.rowOfPart(gives.t))
    }
  }

  /** Writes every block, once nothing more is asked for. */
  write(sheet: SheetDraft): void {
    for (const block of this.#blocks) {
      writeFit(sheet, block, this.#places)
      if (block.hasSmearing) writeSmearing(sheet, block)
      if (block.hasLeverage || block.partFrom !== null) writeVariances(sheet, block, this.#places)
    }
  }

  /** Of the columns of all blocks, in characters: each begins with words. */
  get widths(): number[] {
    return this.#blocks.flatMap(({ width }) => [38, 15, ...Array<number>(width - 2).fill(12)])
  }

  #blockOf(of: Regression): RegressionBlock {
    const known = this.#known.get(of)
    if (known) return known
    // The same regression is made anew by every column that asks for it.
    const key = keyOf(of)
    const block = this.#byContent.get(key) ?? this.#add(of)
    this.#byContent.set(key, block)
    this.#known.set(of, block)
    return block
  }

  #add(of: Regression): RegressionBlock {
    const left = this.#blocks.reduce((sum, { width }) => sum + width, 0)
    const block = new RegressionBlock(of, left, this.#places.ledger.run)
    this.#blocks.push(block)
    return block
  }
}

/** What a regression is known by: cells, scale and design. */
function keyOf({ y, ofLog, columns }: Regression): string {
  const cells = y.map(({ cell }) => cell.t).join()
  return [y[0]!.cell.column, cells, ofLog, ...columns.map(({ name }) => name)].join('|')
}
