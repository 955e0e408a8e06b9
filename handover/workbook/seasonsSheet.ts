import { oneCycle } from '../../core/calendar/labels'
import { leftOutOf } from '../../core/ledger/ledger'
import type { Places } from './places'
import { SEASONS, type SeasonGrid } from './seasonGrids'
import { columnLetters, SheetDraft, type Sheet } from './sheet'

/** A mark in a grid of marks leaves a period out of its season. */
const MARK = 'x'
const DECIMALS = 3

/**
 * The season grid: years downwards, seasons across, what counts and the indices below it. Where the seasons are averaged here,
 * marks beside the grid say what is left out of them.
 */
export function seasonsSheet(places: Places): Sheet {
  const { grids, ledger } = places
  const sheet = new SheetDraft()
  const isAveraged = grids.all.length > 0
  const shown = ['seasonalIrregular', 'index'].find((name) => ledger.find(name)?.actual)
  if (!isAveraged && shown === undefined) {
    sheet.line(0, ['This method has no season.'])
    return sheet.done(SEASONS, { rows: 0, columns: 0 }, [40])
  }
  if (!isAveraged) grids.of(shown!)
  for (const grid of grids.all) writeGrid(places, sheet, grid, isAveraged)
  if (isAveraged) writeMarks(places, sheet)
  writeIndices(places, sheet)
  return sheet.done(SEASONS, { rows: 2, columns: 1 }, [22])
}

function writeGrid(places: Places, sheet: SheetDraft, grid: SeasonGrid, isAveraged: boolean): void {
  const { grids, ledger, result } = places
  const column = ledger.find(grid.column)!
  const { calendar, firstT, lastT } = ledger.run
  const title = `${column.label}, ${column.unit}${isAveraged ? '; what is marked on the right is left out' : ''}`
  sheet.put(grid.top - 2, 0, { value: title, look: 'title' })
  sheet.line(grid.top - 1, [oneCycle(calendar), ...grids.seasonLabels], 'heading')
  for (let year = 0; year < grids.years; year++) {
    sheet.put(grid.top + year, 0, { value: grids.yearLabel(year), look: 'text' })
  }
  const leftOut = leftOutOf(result)
  for (let t = firstT; t <= lastT; t++) {
    const value = ledger.run.value(grid.column, t)
    if (value === null) continue
    const address = places.cells.cell({ column: grid.column, t })!
    const { year, season } = grids.placeOf(t)
    const mark = grids.markOf(t)
    const isLeftOut = isAveraged && leftOut.has(t)
    sheet.put(grid.top + year, grids.columnOf(season), {
      value: isLeftOut ? '' : value,
      formula: isAveraged
        ? `IF(${columnLetters(mark.column)}${mark.row + 1}="",${address},"")`
        : address,
      ...{ look: 'formula', decimals: column.measure === 'factor' ? DECIMALS : 1 },
    })
  }
  if (!isAveraged) return
  const below = grid.top + grids.years
  sheet.put(below, 0, { value: 'values that count', look: 'text' })
  for (let season = 0; season < grids.seasonLabels.length; season++) {
    const at = columnLetters(grids.columnOf(season))
    const counted = countIn(places, grid, season, leftOut)
    sheet.put(below, grids.columnOf(season), {
      value: counted,
      formula: `COUNT(${at}${grid.top + 1}:${at}${below})`,
      look: 'formula',
    })
  }
}

function countIn(
  { grids, ledger }: Places,
  { column }: SeasonGrid,
  season: number,
  leftOut: ReadonlySet<number>,
): number {
  const { firstT, lastT, value } = ledger.run
  let count = 0
  for (let t = firstT; t <= lastT; t++) {
    const isOwn = grids.placeOf(t).season === season
    if (isOwn && value(column, t) !== null && !leftOut.has(t)) count += 1
  }
  return count
}

/** The marks beside the first grid. */
function writeMarks(places: Places, sheet: SheetDraft): void {
  const { grids, ledger, result } = places
  const { top } = grids.all[0]!
  const left = grids.markColumnOf(0)
  sheet.put(top - 2, left, {
    value: `Left out: ${MARK} takes a value out of its season`,
    look: 'title',
  })
  grids.seasonLabels.forEach((label, i) => {
    sheet.put(top - 1, left + i, { value: label, look: 'heading' })
  })
  const { firstT, lastT } = ledger.run
  for (const t of leftOutOf(result)) {
    if (t < firstT || t > lastT) continue
    const mark = grids.markOf(t)
    sheet.put(mark.row, mark.column, { value: MARK, look: 'input' })
  }
}

/** The index of the last year of every season; a later one of the same season stands over an earlier. */
function writeIndices(places: Places, sheet: SheetDraft): void {
  const { grids, ledger } = places
  const index = ledger.find('index')
  if (!index) return
  const { lastT, value, firstT } = ledger.run
  const row = grids.all[0]!.top + grids.years + 1
  sheet.put(row, 0, { value: 'index', look: 'heading' })
  for (let t = Math.max(firstT, lastT - grids.seasonLabels.length + 1); t <= lastT; t++) {
    const own = value('index', t)
    const formula = places.cells.cell({ column: 'index', t })
    if (own === null || formula === null) continue
    sheet.put(row, grids.columnOf(grids.placeOf(t).season), {
      ...{ value: own, formula, look: 'formula' },
      decimals: index.measure === 'factor' ? DECIMALS : 1,
    })
  }
}
