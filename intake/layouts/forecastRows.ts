import { countUp, textAt, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import { periodMark } from '../periods/periodMark'
import type { ColumnRole } from '../reading'

/** Words for what has not come yet. */
const WORDS = [
  'forecast(?:ed|s)?|fcst|fc|plan(?:ned)?|budget(?:ed)?|estimate[ds]?|est\\.?|project(?:ed|ion)|target|scenario|outlook',
  'prognose|vorschau|soll|pr[ée]vision|objectif|previsi[oó]n|presupuesto|previsione|prognoza|prognos|prognóza|previs[ãa]o',
].join('|')
const NOT_YET = new RegExp(`^(?:${WORDS})$`, 'i')
/** A line of its own that says that what follows has not come yet, or that it has. */
const FROM_HERE = new RegExp(`^\\W*(?:${WORDS})\\b`, 'i')
const CAME =
  /^\W*(?:actuals?|history|historical|ist|istwerte|historie|r[ée]alis[ée]|reales?|consuntivo)\b/i
/** Kinds of rows at the most, in a column that tells them apart. */
const MOST_KINDS = 5

/** Rows that are said to be no history, and how it is said. */
interface Coming {
  readonly rows: readonly number[]
  readonly word: string
  /** How the file says so of so many rows. */
  says(count: string): string
}

/** The rows that are read, and those that are series of their own. */
export interface WithoutForecasts {
  readonly data: readonly number[]
  readonly apart: readonly number[]
  /** What those are called. */
  readonly word: string
}

/**
 * Asks about rows that a column, a line above them, a mark behind their periods or their colour sets apart as forecasts or
 * plans: figures that have not come are no history of sales.
 *
 * @param data entries of the rows with a period
 * @param period the column that says it
 * @throws Waiting for an answer
 */
export function withoutForecasts(
  rows: readonly Row[],
  data: readonly number[],
  period: number,
  roles: readonly ColumnRole[],
  headings: readonly string[],
  inquiry: Inquiry,
): WithoutForecasts {
  const coming =
    calledByColumn(rows, data, roles, headings) ??
    calledByLine(rows, data) ??
    calledByMark(rows, data, period) ??
    calledByFill(rows, data)
  if (!coming) return { data, apart: [], word: '' }
  const { word, says } = coming
  const [count, are, were] =
    coming.rows.length === 1
      ? ['1 row', 'Is it', 'was']
      : [`${coming.rows.length} rows`, 'Are they', 'were']
  const answer = inquiry.ask({
    id: 'forecast-rows',
    ask: `${says(count)} ${are} part of the series?`,
    options: [
      { value: 'leave-out', consequence: `No: ${count} left out, and it is said.` },
      { value: 'keep', consequence: `Yes: ${count} read like the others.` },
      { value: 'apart', consequence: `No: ${count} read as a series of their own.` },
    ],
    lines: coming.rows.map((at) => rows[at]!.line).slice(0, 1000),
  })
  const isComing = new Set(coming.rows)
  if (answer === 'keep') return { data, apart: [], word }
  const rest = data.filter((at) => !isComing.has(at))
  if (answer === 'apart') {
    return {
      data: rest,
      apart: coming.rows,
      word: word.length > 2 ? word.toLowerCase() : 'forecast',
    }
  }
  inquiry.note(
    'forecasts-left-out',
    `${count} called "${word}" ${were} left out.`,
    `line ${rows[coming.rows[0]!]!.line}`,
  )
  return { data: rest, apart: [], word }
}

function calledByColumn(
  rows: readonly Row[],
  data: readonly number[],
  roles: readonly ColumnRole[],
  headings: readonly string[],
): Coming | null {
  for (const column of countUp(roles.length).filter((at) => roles[at] === 'ignored')) {
    const kinds = new Set(data.map((at) => textAt(rows[at]!, column)))
    const [word] = [...kinds].filter((text) => NOT_YET.test(text))
    if (word === undefined || kinds.size < 2 || kinds.size > MOST_KINDS) continue
    const heading = (headings[column] || `Column ${column + 1}`).slice(0, 40)
    return {
      rows: data.filter((at) => NOT_YET.test(textAt(rows[at]!, column))),
      word,
      says: (count) => `"${heading}" calls ${count} "${word}".`,
    }
  }
  return null
}

/** Rows below a line such as `Forecast`, up to one that says that they came. */
function calledByLine(rows: readonly Row[], data: readonly number[]): Coming | null {
  const isData = new Set(data)
  const [first, last] = [data[0] ?? 0, data.at(-1) ?? 0]
  let [word, line] = ['', 0]
  let isComing = false
  const coming: number[] = []
  for (const at of countUp(last + 1).slice(first)) {
    const row = rows[at]!
    if (isData.has(at)) {
      if (isComing) coming.push(at)
      continue
    }
    const filled = row.cells.filter((cell) => cell !== '')
    if (filled.length !== 1 || typeof filled[0] !== 'string' || filled[0].length > 60) continue
    if (CAME.test(filled[0])) isComing = false
    else if (FROM_HERE.test(filled[0])) {
      if (word === '') [word, line] = [filled[0].trim(), row.line]
      isComing = true
    }
  }
  return coming.length === 0
    ? null
    : {
        rows: coming,
        word: word.slice(0, 40),
        says: (count) =>
          `Line ${line} says "${word.slice(0, 40)}", and ${count} ${isOne(count) ? 'follows' : 'follow'}.`,
      }
}

/** Rows whose periods bear a mark that most others do not bear, from one of them on to the end. */
function calledByMark(
  rows: readonly Row[],
  data: readonly number[],
  period: number,
): Coming | null {
  const marks = data.map((at) => periodMark(textAt(rows[at]!, period))?.mark ?? '')
  const first = marks.findIndex((mark) => mark !== '')
  if (first <= 0) return null
  const marked = data.filter((_, i) => marks[i] !== '')
  // A star somewhere in the middle is a footnote.
  const isToTheEnd = marks.slice(first).every((mark) => mark !== '')
  const isLetter = marks.every((mark) => mark === '' || /\p{L}/u.test(mark))
  if (!isToTheEnd && !isLetter) return null
  const word = marks[first]!
  return {
    rows: marked,
    word,
    says: (count) =>
      `${count} ${isOne(count) ? 'bears' : 'bear'} the mark "${word}" behind the period.`,
  }
}

/** The last rows, of two and more, whose figures have a fill that no other row has. */
function calledByFill(rows: readonly Row[], data: readonly number[]): Coming | null {
  const fills = data.map((at) => rows[at]!.fill ?? '')
  const last = fills.at(-1)
  const first = fills.findIndex((fill) => fill === last)
  const isToTheEnd = first > 0 && fills.slice(first).every((fill) => fill === last)
  const count = fills.length - first
  if (!last || !isToTheEnd || count < 2 || count > fills.length / 2) return null
  return {
    rows: data.slice(first),
    word: 'forecast',
    says: (said) => `${said} at the end are filled with a colour that no other row has.`,
  }
}

const isOne = (count: string) => count.startsWith('1 ')
