import { textAt, type Row } from '../grid'
import { yearOf, type PeriodReading } from '../periods/periodReading'
import { inYear, readSeason, statedYear, type StatedYear } from '../periods/seasonText'
import { headingOf, shareOf } from './columnTexts'
import type { PeriodColumns } from './observations'
import { TOTAL } from './words'

/** Months or quarters in one column, each year on a row of its own above them. */
export function findSeasonsUnderYears(
  rows: readonly Row[],
  candidates: readonly number[],
): PeriodColumns | null {
  for (const column of candidates) {
    let year: StatedYear | null = null
    let seasons = 0
    let years = 0
    let others = 0
    const readings = rows.map((row): PeriodReading | null => {
      const text = textAt(row, column)
      const stated = statedYear(text)
      if (stated) {
        year = stated
        years++
        return null
      }
      const season = /^\d+$/.test(text) ? null : readSeason(text)
      if (season && year) seasons++
      else if (text !== '' && year && !TOTAL.test(text)) others++
      return season && year ? inYear(year, season) : null
    })
    if (seasons >= 2 && years >= 2 && seasons > years && others <= 0.1 * seasons) {
      return { columns: [column], readings }
    }
  }
  return null
}

/** Years with decimals that are twelfths or quarters: `1990.083`. */
export function findDecimalYears(
  rows: readonly Row[],
  candidates: readonly number[],
): PeriodColumns | null {
  for (const column of candidates) {
    const numbers = rows.map((row) => {
      const text = textAt(row, column)
      return /^(18|19|20)\d{2}(\.\d+)?$/.test(text) ? Number(text) : null
    })
    const present = numbers.filter((number) => number !== null)
    if (present.length < 3 || present.every(Number.isInteger)) continue
    const months = present.map((number) => number * 12)
    const steps = months.slice(1).map((month, i) => Math.round(month - months[i]!))
    const areMonths = months.every((month) => Math.abs(month - Math.round(month)) < 0.15)
    if (!areMonths || !steps.every((step) => step === steps[0] && step > 0)) continue
    return {
      columns: [column],
      readings: numbers.map((number): PeriodReading | null => {
        if (number === null) return null
        const month = Math.round(number * 12)
        return { kind: 'month', year: Math.floor(month / 12), month: (month % 12) + 1 }
      }),
    }
  }
  return null
}

/** A column of years alone: a yearly series. */
export function findYears(
  rows: readonly Row[],
  sample: readonly Row[],
  candidates: readonly number[],
  mayBeNumber: (column: number) => boolean,
): PeriodColumns | null {
  for (const column of candidates.filter(mayBeNumber)) {
    const share = (way: typeof statedYear) => shareOf(sample, column, (text) => way(text) !== null)
    const ways = [statedYear, ...(isHeadedYear(sample, column) ? [shortYear] : [])]
    // Of two ways that read most years the one that reads more, as where the last bears a mark.
    const [read] = ways.filter((way) => share(way) >= 0.8).sort((a, b) => share(b) - share(a))
    if (!read) continue
    const readings = rows.map((row): PeriodReading | null => {
      const year = read(textAt(row, column))
      return year === null ? null : { kind: 'year', year: year.year }
    })
    if (readings.filter((reading) => reading !== null).length < 2) continue
    return { columns: [column], readings }
  }
  return null
}

/** `19` or `'19` under a heading that speaks of years; `2021e`, marked as an estimate, too. */
export function shortYear(text: string): StatedYear | null {
  const stated = statedYear(text.replace(/^(\d{4}) ?[efpr*]$/i, '$1'))
  if (stated) return stated
  const year = /^'?\d{2}$/.test(text) ? yearOf(text.replace("'", '')) : null
  return year === null ? null : { year, isFiscal: false }
}

/** Whether the text over a column says that its numbers are years. */
export function isHeadedYear(rows: readonly Row[], column: number): boolean {
  const heading = headingOf(rows, column, (text) => shortYear(text) === null)
  return /^(fiscal )?(year|yr|y+|jahr|ann[ée]e|a[ñn]o|anno|jaar|rok|[åa]r)s?$/i.test(heading)
}
