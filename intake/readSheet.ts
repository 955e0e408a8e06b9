import { calendarOf, type Frequency } from '../core/calendar/calendar'
import { onePeriod, periodLabel } from '../core/calendar/labels'
import { assemble } from './assemble/assemble'
import { dayOf, monthsOf, rowFrequency } from './assemble/commonCalendar'
import type { ReadCells } from './cellReadings'
import { countUp, textAt, widthOf, type Row } from './grid'
import { Inquiry, Unreadable, Waiting } from './inquiry'
import { cutWhereSaid } from './layouts/cutLines'
import { ANY, extract } from './layouts/extract'
import type { Extraction } from './layouts/observations'
import { tablesOf } from './layouts/tablesOfSheet'
import { withPartsOfPeriods } from './layouts/partsOfPeriods'
import { mendRows } from './layouts/raggedRows'
import { together, type Part } from './layouts/severalTables'
import { readValues } from './numbers/readValues'
import type { DayOrder, PeriodReading } from './periods/periodReading'
import { writeOutHours } from './periods/hoursBesideDays'
import { writeOutMoments } from './periods/moments'
import { writeOutDaysWithoutYear } from './periods/daysWithoutYear'
import { writeOutShortDates } from './periods/shortDates'
import { dependsOnOrder, isSlashedDate } from './periods/periodText'
import type { Answers, IntakeProblem, ReadSeries, SheetShape } from './reading'

/** How far the reading of one sheet came. */
export type SheetReading = {
  readonly shape: SheetShape
  readonly inquiry: Inquiry
  /** The rows as they were read: with cells put together that a comma had parted. */
  readonly rows: readonly Row[]
  readonly cells: ReadCells
} & (
  | {
      readonly outcome: 'ok'
      readonly frequency: Frequency
      readonly series: readonly ReadSeries[]
    }
  | { readonly outcome: 'question' }
  | { readonly outcome: 'refused'; readonly problems: readonly IntakeProblem[] }
)

/**
 * Reads one sheet into series: finds its layout, its periods and its numbers, and puts them on a time
 * axis. Where two readings are possible it asks, unless the answer was given.
 */
export function readSheet(given: readonly Row[], answers: Answers): SheetReading {
  const inquiry = new Inquiry(answers)
  let rows = given
  let cells: ReadCells = { series: [], axis: null }
  const sofar = () => ({ shape: shapeOf(inquiry.shape), inquiry, rows, cells })
  try {
    const raw = cutWhereSaid(given, inquiry)
    rows = raw
    const tables = tablesOf(raw, inquiry)
    const table = tables.length === 1 ? tables[0]!.rows : raw
    const mended = tables.map((part) => mendRows(part.rows, inquiry))
    if (tables.length === 1) rows = shownRows(raw, table, mended[0]!)
    const extraction = extractAll(tables, mended, inquiry)
    inquiry.shape = {
      ...extraction,
      ...withOtherTables(extraction, raw, table),
    }
    const valued = readValues(withPartsOfPeriods(extraction, inquiry).series, inquiry)
    cells = { series: valued, axis: null }
    const { calendar, series, placed } = assemble(valued, inquiry)
    cells = { series: placed, axis: { calendar, kept: series } }
    return { outcome: 'ok', ...sofar(), frequency: calendar.frequency, series }
  } catch (error) {
    if (error instanceof Waiting) return { outcome: 'question', ...sofar() }
    if (error instanceof Unreadable) {
      return { outcome: 'refused', ...sofar(), problems: error.problems }
    }
    throw error
  }
}

/** Takes the tables of a sheet apart, one by one; what is asked of the first holds for those of its shape. */
function extractAll(
  tables: readonly Part[],
  mended: readonly (readonly Row[])[],
  inquiry: Inquiry,
): Extraction {
  const [first, ...others] = tables.map((part, i) => {
    const own = i === 0 ? inquiry : new Inquiry(inquiry.answers)
    try {
      const extraction = extractInOrder(writeOutDates(mended[i]!, own), own)
      return { ...part, extraction }
    } finally {
      const known = new Set(inquiry.questions.map(({ id }) => id))
      inquiry.questions.push(...own.questions.filter(({ id }) => !known.has(id)))
    }
  })
  return others.length === 0 ? first!.extraction : together([first!, ...others])
}

/** The sheet with the rows that were mended; those of another table, and those left out, stay as they are. */
function shownRows(
  raw: readonly Row[],
  table: readonly Row[],
  mended: readonly Row[],
): readonly Row[] {
  if (mended === table) return raw
  return raw.map((row, at) =>
    mended[at] !== table[at] && mended[at]!.cells.length > 1 ? mended[at]! : row,
  )
}

/** Rows and columns of a table that was not read, as such. */
function withOtherTables(
  { rowKinds, columnRoles }: Extraction,
  raw: readonly Row[],
  table: readonly Row[],
): Pick<SheetShape, 'rowKinds' | 'columnRoles'> {
  if (table === raw) return { rowKinds, columnRoles }
  const isOther = (at: number) => raw[at]!.cells.length > 0 && table[at]!.cells.length === 0
  const holds = (rows: readonly Row[], column: number) =>
    rows.some((row, at) => !isOther(at) && textAt(row, column) !== '')
  return {
    rowKinds: rowKinds.map((kind, at) => (isOther(at) ? 'other' : kind)),
    columnRoles: countUp(widthOf(raw)).map((column) =>
      holds(raw, column) && !holds(table, column) ? 'other' : (columnRoles[column] ?? 'empty'),
    ),
  }
}

/** Dates that only the whole column tells are written out in full. */
function writeOutDates(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  const short = writeOutShortDates(writeOutMoments(rows, inquiry), inquiry)
  return writeOutHours(writeOutDaysWithoutYear(short, inquiry), inquiry)
}

function shapeOf({ layout, rowKinds, columnRoles }: SheetShape): SheetShape {
  return { layout, rowKinds, columnRoles }
}

/** Takes the sheet apart with the day before the month or after it, whichever leaves no gaps. */
function extractInOrder(rows: readonly Row[], inquiry: Inquiry): Extraction {
  const example = dayOrderExample(rows)
  if (example === null) return extract(rows, 'day-first', inquiry)
  const orders: readonly DayOrder[] = ['day-first', 'month-first']
  const [dayFirst, monthFirst] = orders.map((order) => tryOrder(rows, order, inquiry.answers))
  // Points between the numbers are written by those who begin with the day.
  const hasPoints =
    example.includes('.') && dayFirst!.rank < 3 && inquiry.answers.dates === undefined
  if (hasPoints || dayFirst!.periods === monthFirst!.periods)
    return extract(rows, 'day-first', inquiry)
  const order = inquiry.ask({
    id: 'dates',
    ask: `Does "${example}" begin with the day or with the month?`,
    options: [
      { value: 'day-first', consequence: dayFirst!.consequence },
      { value: 'month-first', consequence: monthFirst!.consequence },
    ],
    ...(dayFirst!.rank === monthFirst!.rank
      ? {}
      : { otherwise: dayFirst!.rank < monthFirst!.rank ? 'day-first' : 'month-first' }),
  }) as DayOrder
  return extract(rows, order, inquiry)
}

/** A cell whose day and month could be exchanged, or one that shows which is which. */
function dayOrderExample(rows: readonly Row[]): string | null {
  let example: string | null = null
  for (const { cells } of rows) {
    for (const cell of cells) {
      if (typeof cell !== 'string' || !isSlashedDate(cell)) continue
      if (dependsOnOrder(cell)) return cell
      example ??= cell
    }
  }
  return example
}

interface Tried {
  /** 0 an unbroken series, more the worse. */
  readonly rank: number
  readonly consequence: string
  /** All periods read, to see whether the order matters at all. */
  readonly periods: string
}

/** What a reading of the days would come to, with nothing kept of it. */
function tryOrder(rows: readonly Row[], order: DayOrder, answers: Answers): Tried {
  const known = {
    'unread-rows': 'leave-out',
    'period-column': ANY,
    'forecast-rows': 'keep',
    ...answers,
  }
  const trial = new Inquiry(known, true)
  try {
    const { series } = extract(rows, order, trial)
    const readings = [
      ...new Set(series.flatMap((own) => own.observations.map(({ period }) => period))),
    ]
    const periods = JSON.stringify(readings)
    const rest = { periods, ...describeAxis(readings) }
    const leftOut = trial.notes.find(({ code }) => code === 'rows-left-out')
    return leftOut ? { ...rest, rank: 3, consequence: `${rest.consequence} ${leftOut.text}` } : rest
  } catch (error) {
    if (!(error instanceof Unreadable || error instanceof Waiting)) throw error
    return { rank: 4, consequence: 'The periods cannot be read so.', periods: '' }
  }
}

/** `60 months in a row, Jan 2021 to Dec 2025`, or how many places are empty. */
function describeAxis(readings: readonly PeriodReading[]): { rank: number; consequence: string } {
  const frequency = rowFrequency(readings)
  if (frequency === null) return { rank: 3, consequence: 'Its periods do not go together.' }
  const isByDay = frequency === 'daily' || frequency === 'weekly' || frequency === 'hourly'
  const places = [...new Set(readings.map(isByDay ? dayOf : monthsOf))].sort((a, b) => a - b)
  const step = frequency === 'weekly' ? 7 : isByDay ? 1 : 12 / calendarOf(frequency).seasons
  // Shops rest on Sundays and holidays: four days without a row are no gap.
  const longest = isByDay && frequency !== 'weekly' ? 5 : step
  const gaps = places.filter((place, i) => i > 0 && place - places[i - 1]! > longest).length
  const word = frequency === 'hourly' ? 'day' : onePeriod(calendarOf(frequency))
  const label = (place: number) => {
    if (isByDay) return new Date(place * 86_400_000).toISOString().slice(0, 10)
    return periodLabel(
      { cycle: Math.floor(place / 12), season: (place % 12) + 1 },
      calendarOf('monthly'),
    )
  }
  const span = `${label(places[0]!)} to ${label(places.at(-1)!)}`
  const count = `${places.length} ${word}s`
  return gaps === 0
    ? { rank: 0, consequence: `${count} in a row, ${span}.` }
    : { rank: 2, consequence: `${count} with ${gaps} ${gaps === 1 ? 'gap' : 'gaps'}, ${span}.` }
}
