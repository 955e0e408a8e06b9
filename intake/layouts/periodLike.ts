import { textAt, type Row } from '../grid'
import { dayOf, monthsOf } from '../assemble/commonCalendar'
import { isoWeekOf, type PeriodReading } from '../periods/periodReading'

/** Headings of columns that number the rows. */
const INDEX_HEADING =
  /^(|#|no\.?|nr\.?|num|number|n|t|i|k|id|idx|index|rows?|row ?(no\.?|number|id)|obs|observation|time|line|pos\.?|position|seq|sequence|step|counter|serial|running.*|lfd\.?( nr\.?)?|laufend.*|nummer|zeile|unnamed.*)$/i
const PART_HEADING =
  /^(yr|year|mo|mon|mth|month|q|qtr|quarter|wk|week|kw|day|weekday|dow|period|date|jahr|monat|quartal|woche|tag|ann[ée]e|mois|trimestre|semaine|jour|a[ñn]o|mes|semana|d[ií]a)( ?(no\.?|nr\.?|number|num|of year))?$/i
/** Rows from which a column that says the periods again does so not by chance, whatever it is called. */
const LONG_COUNT = 6
/** Rows from which a column that counts from 0 or 1 numbers them, whatever it is called. */
const LONG_INDEX = 12

/**
 * Whether a column says again what the periods say, or only numbers the rows: its years, months, quarters, weeks, days, or a
 * running number. Such a column is never a series.
 *
 * @param data entries of the rows with a period
 * @param readings the periods, one entry a row
 */
export function isLikePeriods(
  rows: readonly Row[],
  data: readonly number[],
  readings: readonly (PeriodReading | null)[],
  column: number,
  heading: string,
): boolean {
  const filled = data.filter((at) => textAt(rows[at]!, column) !== '')
  if (filled.length < Math.max(2, 0.9 * data.length)) return false
  const numbers = filled.map((at) => {
    const text = textAt(rows[at]!, column)
    return /^\d{1,8}(\.0+)?$/.test(text) ? Number(text) : NaN
  })
  if (numbers.some(Number.isNaN)) return false
  const says = (of: (reading: PeriodReading) => number | null) =>
    filled.every((at, i) => of(readings[at]!) === numbers[i])
  const own = heading.trim()
  // A few figures can be 1, 2, 3 by chance.
  if (numbers.length < LONG_COUNT && !INDEX_HEADING.test(own) && !PART_HEADING.test(own))
    return false
  return Object.values(PARTS).some(says) || (countsUp(numbers) && isIndex(numbers, own))
}

/** Numbers that go with a period; null where it has none of the kind. */
const PARTS: Record<string, (reading: PeriodReading) => number | null> = {
  year: ({ year }) => year,
  month: (reading) => (hasMonth(reading) ? (monthsOf(reading) % 12) + 1 : null),
  quarter: (reading) => (hasMonth(reading) ? Math.floor((monthsOf(reading) % 12) / 3) + 1 : null),
  yearAndMonth: (reading) =>
    hasMonth(reading)
      ? Math.floor(monthsOf(reading) / 12) * 100 + (monthsOf(reading) % 12) + 1
      : null,
  day: (reading) => (reading.kind === 'day' ? reading.day : null),
  dayOfYear: (reading) =>
    reading.kind === 'day' ? dayOf(reading) - Date.UTC(reading.year, 0, 0) / 86_400_000 : null,
  week: (reading) =>
    reading.kind === 'day'
      ? isoWeekOf(dayOf(reading)).week
      : reading.kind === 'week'
        ? reading.week
        : null,
  weekday: (reading) => (reading.kind === 'day' ? ((dayOf(reading) + 3) % 7) + 1 : null),
}

function hasMonth({ kind }: PeriodReading): boolean {
  return kind === 'day' || kind === 'month' || kind === 'quarter'
}

/** Sales can grow by one each time; they do not begin with the first row and go on so for years. */
function isIndex(numbers: readonly number[], heading: string): boolean {
  const isNamed = heading !== '' && (INDEX_HEADING.test(heading) || PART_HEADING.test(heading))
  return isNamed || (numbers[0]! <= 1 && (heading === '' || numbers.length >= LONG_INDEX))
}

function countsUp(numbers: readonly number[]): boolean {
  return numbers.every((number, i) => i === 0 || number === numbers[i - 1]! + 1)
}
