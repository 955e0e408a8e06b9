import { cellAt, countUp, isBlank, textAt, widthOf, type Row } from '../grid'
import { Unreadable, type Inquiry } from '../inquiry'
import { dayOf, type PeriodReading } from '../periods/periodReading'
import { readDayOfYear } from '../periods/dayOfYear'
import { countsDays, yearOfDays } from './daysUnderMonths'
import { isCoarser, mainKind } from './mainSeasons'
import { stubYears, yearsOf } from './matrixYears'
import {
  inYear,
  readSeason,
  statedYear,
  type SeasonReading,
  type StatedYear,
} from '../periods/seasonText'
import type { ColumnRole, RowKind } from '../reading'
import { titleOf, type Extraction, type RawSeries } from './observations'
import { isOfTheFile } from './statedAbove'
import { TOTAL, YEAR_HEADING } from './words'

/** A heading row must name so many seasons or years. */
const FEWEST_HEADINGS = { seasons: 2, years: 2 }

/**
 * Takes a matrix apart that has years one way and seasons the other.
 *
 * @param rows all rows of the sheet
 * @returns null when no row heads seasons above a column of years, or years above a column of seasons
 */
export function extractMatrix(rows: readonly Row[], inquiry: Inquiry): Extraction | null {
  for (const [at, header] of rows.entries()) {
    const seasons = seasonHeadings(header)
    const years = yearHeadings(header)
    const days = seasons ? daysUnder(rows, at, seasons, inquiry) : null
    const found =
      days ??
      (seasons &&
        fill(
          rows,
          at,
          seasons,
          stubYears(rows.slice(at + 1), Math.min(...seasons.keys()), header),
          yearsOf(seasons, rows.slice(at + 1), inquiry),
        )) ??
      (years &&
        fill(
          rows,
          at,
          years,
          seasonReader(rows.slice(at + 1), Math.min(...years.keys())),
          (year, season) => inYear(year, season),
        )) ??
      (years &&
        fill(rows, at, years, readDayOfYear, ({ year }, { month, day }) => dayOf(year, month, day)))
    if (found) return finish(rows, at, found, inquiry)
    if (at > 200) break
  }
  return null
}

/** Days down and months across, of a year that the table does not say. */
function daysUnder(
  rows: readonly Row[],
  at: number,
  months: ReadonlyMap<number, SeasonReading>,
  inquiry: Inquiry,
): Filled | null {
  const areMonths = [...months.values()].every(({ kind }) => kind === 'month')
  const stub = countUp(Math.min(...months.keys())).find((column) =>
    countsDays(rows.slice(at + 1), column),
  )
  if (!areMonths || stub === undefined) return null
  const year = yearOfDays(rows.slice(0, at + 1), inquiry)
  return fill(
    rows,
    at,
    months,
    (text) => (/^\d{1,2}\.?$/.test(text) ? parseInt(text, 10) : null),
    (month, day) => dayOf(year, month.at, day),
  )
}

/** Reads the seasons that name rows: of months and quarters among one another those that are most, the others add them up. */
function seasonReader(body: readonly Row[], firstColumn: number) {
  const texts = body.flatMap((row) => countUp(firstColumn).map((column) => textAt(row, column)))
  const kind = mainKind(texts.flatMap((text) => readSeason(text) ?? []))
  return (text: string): SeasonReading | null => {
    const season = readSeason(text)
    return season?.kind === kind ? season : null
  }
}

interface Filled {
  /** The column that names the rows. */
  readonly stub: number
  readonly columns: readonly number[]
  readonly keys: readonly number[]
  readonly series: readonly RawSeries[]
  readonly rowKinds: readonly RowKind[]
}

/**
 * Reads the body under a heading row: one entry a row, named in the stub column.
 *
 * @param headings what each column of figures stands for
 */
function fill<Head, Stub>(
  rows: readonly Row[],
  at: number,
  headings: ReadonlyMap<number, Head>,
  readStub: (text: string) => Stub | null,
  join: (head: Head, stub: Stub) => PeriodReading | null,
): Filled | null {
  const body = rows.slice(at + 1)
  const firstColumn = Math.min(...headings.keys())
  const stub = countUp(firstColumn)
    .reverse()
    .find((column) => {
      const filled = body.filter((row) => textAt(row, column) !== '')
      const good = filled.filter((row) => readStub(textAt(row, column)) !== null)
      return good.length >= 2 && good.length >= 0.5 * filled.length
    })
  if (stub === undefined) return null
  const keys = countUp(stub).filter((column) =>
    body.some((row) => readStub(textAt(row, stub)) !== null && textAt(row, column) !== ''),
  )
  const series = new Map<string, RawSeries>()
  let names = keys.map(() => '')
  const rowKinds = rows.map((row, i): RowKind => {
    if (i < at) return 'title'
    if (i === at) return 'header'
    const read = readStub(textAt(row, stub))
    if (read === null) return isTotal(row, stub) ? 'total' : 'note'
    names = keys.map((column, k) => textAt(row, column) || names[k]!)
    const name = names.join(' · ')
    let own = series.get(name)
    if (!own) {
      own = { ...titleOf(name, -1), observations: [] }
      series.set(name, own)
    }
    for (const [column, head] of headings) {
      const period = join(head, read)
      // 29 February has a cell in every year.
      if (period === null && textAt(row, column) === '') continue
      if (period === null) {
        throw new Unreadable([
          {
            line: row.line,
            column: column + 1,
            because: `There is no ${textAt(row, stub)} in ${textAt(rows[at]!, column)}, and the cell is not empty.`,
          },
        ])
      }
      own.observations.push({
        period,
        cell: cellAt(row, column),
        line: row.line,
        column,
      })
    }
    return 'data'
  })
  return { stub, columns: [...headings.keys()], keys, series: [...series.values()], rowKinds }
}

function isTotal(row: Row, stub: number): boolean {
  const text = textAt(row, stub)
  return (
    TOTAL.test(text) ||
    YEAR_HEADING.test(text) ||
    isCoarser(text, 'month') ||
    row.cells.some((cell) => typeof cell === 'string' && TOTAL.test(cell))
  )
}

function finish(rows: readonly Row[], at: number, found: Filled, inquiry: Inquiry): Extraction {
  const { stub, columns, keys, rowKinds } = found
  const width = widthOf(rows)
  const data = rows.filter((_, i) => rowKinds[i] === 'data')
  const columnRoles = countUp(width).map((column): ColumnRole => {
    if (column === stub) return 'period'
    if (columns.includes(column)) return 'value'
    if (keys.includes(column)) return 'key'
    if (data.every((row) => textAt(row, column) === '')) return 'empty'
    const heading = textAt(rows[at]!, column)
    return TOTAL.test(heading) || YEAR_HEADING.test(heading) || isCoarser(heading, 'month')
      ? 'total'
      : 'ignored'
  })
  const linesOf = (kind: RowKind) =>
    rows.filter((row, i) => rowKinds[i] === kind && !isBlank(row)).map(({ line }) => line)
  for (const [kind, words] of [
    ['title', 'above the matrix: not read'],
    ['total', 'of totals or averages: not read, the figures are in the other rows'],
    ['note', 'without a period: not read'],
  ] as const) {
    const lines = linesOf(kind)
    if (lines.length > 0) {
      inquiry.note(
        `${kind}-rows`,
        `${lines.length} ${lines.length === 1 ? 'line' : 'lines'} ${words}.`,
        `line ${lines[0]}`,
      )
    }
  }
  columnRoles.forEach((role, column) => {
    if (role !== 'total' && role !== 'ignored') return
    const name = textAt(rows[at]!, column) || `column ${column + 1}`
    inquiry.note(
      `${role}-columns`,
      `"${name}" stands beside the matrix and is not read as a season.`,
      `column ${column + 1}`,
    )
  })
  const title = titleAbove(rows, at) ?? titleOfHeadings(rows[at]!)
  return {
    layout: 'matrix',
    rowKinds,
    columnRoles,
    series: found.series.map((own) =>
      keys.length === 0 ? { ...own, ...title } : { ...own, unit: own.unit || title.unit },
    ),
  }
}

/** The first title line names a matrix that stands alone. */
function titleAbove(rows: readonly Row[], at: number): { name: string; unit: string } | null {
  const title = rows
    .slice(0, at)
    .flatMap(({ cells }) => cells)
    .find((cell) => cell !== '' && !isOfTheFile(String(cell)))
  return title === undefined ? null : titleOf(String(title).slice(0, 200), -1)
}

/** What the headings of years say beside them: `Sales 2021`, `Sales 2022`. */
function titleOfHeadings(row: Row): { name: string; unit: string } {
  const [column] = yearsInHeadings(row).keys()
  const words = column === undefined ? '' : textAt(row, column).replace(/\b(19|20)\d{2}\b/, '')
  const name = words.replace(/^[\s,;:–-]+|[\s,;:–-]+$/g, '')
  return name === '' ? { name: 'Series', unit: '' } : titleOf(name.slice(0, 200), -1)
}

/** Columns headed by seasons: month or quarter names, or the numbers 1 to 12 or 1 to 4 in a row. */
function seasonHeadings(row: Row): Map<number, SeasonReading> | null {
  const all = headings(row, (text) => (/^\d+$/.test(text) ? null : readSeason(text)))
  // Quarters among months add them up.
  const main = mainKind([...all.values()])
  const named = new Map([...all].filter(([, { kind }]) => kind === main))
  const others = [...all.keys()].filter((column) => !named.has(column))
  const distinct = new Set([...named.values()].map(({ at }) => at)).size
  if (
    others.every((column) => isCoarser(textAt(row, column), main)) &&
    named.size >= FEWEST_HEADINGS.seasons &&
    distinct === named.size
  )
    return named
  const initials = monthInitials(row)
  if (initials) return initials
  for (const [count, plain] of [
    [12, 'month'],
    [4, 'quarter'],
  ] as const) {
    const numbered = headings(row, (text) =>
      /^\d{1,2}$/.test(text) ? readSeason(text, plain) : null,
    )
    const inOrder = [...numbered.values()].every(({ at }, i) => at === i + 1)
    if (numbered.size === count && inOrder) return numbered
  }
  return null
}

/** The initials of twelve months in a row, from whichever month on: `J F M A M J J A S O N D`. */
function monthInitials(row: Row): Map<number, SeasonReading> | null {
  const found = headings(row, (text) => (/^\p{L}$/u.test(text) ? text.toUpperCase() : null))
  const said = [...found.values()].join('')
  if (said.length !== 12) return null
  for (const initials of ['JFMAMJJASOND', 'EFMAMJJASOND']) {
    const from = `${initials}${initials}`.indexOf(said)
    if (from < 0) continue
    return new Map(
      [...found.keys()].map((column, i) => [column, { kind: 'month', at: ((from + i) % 12) + 1 }]),
    )
  }
  return null
}

/** Columns headed by consecutive years. */
function yearHeadings(row: Row): Map<number, StatedYear> | null {
  const alone = headings(row, statedYear)
  const years = alone.size > 0 ? alone : yearsInHeadings(row)
  // Beside headings of years no figure stands: values can look like years, too.
  const hasOthers = row.cells.some(
    (_, column) => !years.has(column) && /^[\d.,]+$/.test(textAt(row, column)),
  )
  if (hasOthers) return null
  const sorted = [...years.values()].map(({ year }) => year).sort((a, b) => a - b)
  const consecutive = sorted.every((year, i) => i === 0 || year === sorted[i - 1]! + 1)
  return years.size >= FEWEST_HEADINGS.years && consecutive ? years : null
}

/** Whether years stand within headings over rows that are named by months or quarters. */
export function headsYearsOverSeasons(rows: readonly Row[]): boolean {
  return rows.slice(0, 50).some((row, at) => {
    const years = yearsInHeadings(row)
    if (years.size < FEWEST_HEADINGS.years || yearHeadings(row) === null) return false
    const body = rows.slice(at + 1).filter((other) => !isBlank(other))
    return countUp(Math.min(...years.keys())).some((column) => {
      const named = body.filter((other) => {
        const text = textAt(other, column)
        return !/^\d+$/.test(text) && readSeason(text) !== null
      })
      return named.length >= FEWEST_HEADINGS.seasons && named.length >= body.length / 2
    })
  })
}

/** Years within headings that are the same but for them: `Sales 2021`, `Sales 2022`. */
function yearsInHeadings(row: Row): Map<number, StatedYear> {
  const stems = new Set<string>()
  const years = headings(row, (text) => {
    const match = /^(\D*?)\b((?:19|20)\d{2})\b(\D*)$/.exec(text)
    const year = match && `${match[1]!}${match[3]!}`.trim() !== '' ? statedYear(match[2]!) : null
    if (match && year) stems.add(`${match[1]!}|${match[3]!}`.toLowerCase())
    return year
  })
  return stems.size === 1 ? years : new Map()
}

function headings<T>(row: Row, read: (text: string) => T | null): Map<number, T> {
  const found = new Map<number, T>()
  row.cells.forEach((_, column) => {
    const head = read(textAt(row, column))
    if (head !== null) found.set(column, head)
  })
  return found
}
