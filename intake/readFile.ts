import { Refusal } from '../core/refusal'
import type { ReadCells } from './cellReadings'
import { openFile } from './containers/openFile'
import type { Row, Sheet, Workbook } from './grid'
import { readSheet, type SheetReading } from './readSheet'
import { seriesOfOwnWorkbook } from './ownWorkbook'
import type { Answers, Question, Reading } from './reading'
import { joinSheets, yearOfSheet } from './sheets'

/** A reading with the sheet it is about, for showing it on the file itself. */
export interface OpenReading {
  readonly reading: Reading
  readonly rows: readonly Row[]
  readonly cells: ReadCells
}

/** A file that is open, so that it can be read again with other answers. */
export interface OpenFile {
  readonly workbook: Workbook
  read(answers: Answers): OpenReading
}

/**
 * Opens a sales file of any kind.
 *
 * @throws Refusal for a container that is not read, is damaged, or is larger than the limits
 */
export function open(bytes: Uint8Array): OpenFile {
  const workbook = openFile(bytes)
  return { workbook, read: (answers) => readWorkbook(workbook, answers) }
}

/**
 * Reads a sales file of any kind into series.
 *
 * Nothing is dropped without a note, nothing invented: where two readings are possible the outcome is a
 * question, with the consequence of each answer; what cannot be read refuses the file with its places.
 *
 * @param bytes the file
 * @param answers by the id of their question; also `sheet`, `layout`, `header`, `role.N` and `frequency`,
 *   where the guess is to be another
 * @example readFile(bytes of 'month,Sales (litres)\n2021-01,40\n2021-02,42', {}).outcome // 'ok'
 */
export function readFile(bytes: Uint8Array, answers: Answers = {}): Reading {
  try {
    return open(bytes).read(answers).reading
  } catch (error) {
    if (error instanceof Refusal) return refusedWhole(error)
    throw error
  }
}

/** The reading of a file that could not even be opened. */
export function refusedWhole({ because, where }: Refusal): Reading {
  const line = Number(/^line (\d+)/.exec(where)?.[1]) || null
  return {
    outcome: 'refused',
    container: '',
    sheets: [],
    sheet: null,
    shape: { layout: null, rowKinds: [], columnRoles: [] },
    questions: [],
    notes: [],
    problems: [{ line, column: null, because }],
  }
}

function readWorkbook({ container, sheets: all }: Workbook, answers: Answers): OpenReading {
  const sheets = all.filter((sheet) => sheet.rows.length > 0)
  const names = sheets.map(({ name }) => name)
  const finish = (sheet: Sheet, reading: SheetReading, question: readonly Question[]) => {
    const { shape, inquiry, rows, cells } = reading
    const open = (whole: Reading): OpenReading => ({ reading: whole, rows, cells })
    const common = {
      container,
      sheets: names,
      sheet: sheet.name,
      shape,
      questions: [...question, ...inquiry.questions],
      notes: [...hiddenNotes(sheet, reading), ...inquiry.notes],
    }
    switch (reading.outcome) {
      case 'ok':
        return open({
          ...common,
          outcome: 'ok',
          frequency: reading.frequency,
          series: reading.series,
        })
      case 'question':
        return open({ ...common, outcome: 'question' })
      case 'refused':
        return open({ ...common, outcome: 'refused', problems: reading.problems })
    }
  }
  if (sheets.length === 0) throw new Refusal('There is nothing in it.', 'file')
  const own = seriesOfOwnWorkbook({ sheets })
  if (own && (answers.sheet === undefined || answers.sheet === own.name)) {
    const { reading, ...rest } = finish(own, readNamed(own, answers), [])
    return { ...rest, reading: { ...reading, notes: [OWN_NOTE, ...reading.notes] } }
  }
  if (sheets.length === 1) return finish(sheets[0]!, readNamed(sheets[0]!, answers), [])

  const tried = sheets.map((sheet) => ({ sheet, reading: readNamed(sheet, answers) }))
  const readable = tried.filter(
    ({ sheet, reading }) => reading.outcome !== 'refused' && !isUndated(reading) && !sheet.isHidden,
  )
  const stated = tried.find(({ sheet }) => sheet.name === answers.sheet)
  const only = readable.length === 1 ? readable[0] : undefined
  const joined = joinSheets(
    readable.map(({ sheet: { name }, reading }) => ({
      name,
      series: reading.outcome === 'ok' ? reading.series : [],
    })),
  )
  const takesAll = joined !== null && (answers.sheet === ALL || (joined.goOn && !stated))
  const chosen = takesAll ? readable[0] : (stated ?? only)
  const question: Question = {
    id: 'sheet',
    ask: 'Which sheet holds the figures?',
    options: [
      ...(joined ? [{ value: ALL, consequence: joined.consequence }] : []),
      ...tried.map(({ sheet, reading }) => ({
        value: sheet.name,
        consequence: comesTo(sheet, reading),
      })),
    ],
    answer: takesAll ? ALL : (chosen?.sheet.name ?? null),
    lines: [],
  }
  if (answers.sheet !== undefined && !stated && !takesAll) {
    throw new Refusal(
      `The workbook has no sheet "${answers.sheet}"; it has ${names.join(', ')}.`,
      'sheet',
    )
  }
  if (takesAll && chosen?.reading.outcome === 'ok')
    return finish(chosen.sheet, { ...chosen.reading, series: joined.series }, [question])
  if (chosen) return finish(chosen.sheet, chosen.reading, [question])
  const first = readable[0] ?? tried[0]!
  const { shape, rows, cells } = first.reading
  return {
    reading: {
      outcome: 'question',
      container,
      sheets: names,
      sheet: first.sheet.name,
      shape,
      questions: [question],
      notes: [],
    },
    rows,
    cells,
  }
}

const OWN_NOTE = {
  code: 'own-workbook',
  text: 'This is a workbook that Elvant wrote: the values were read as they came in, and what was calculated from them was not.',
  where: 'sheet',
}

/** The answer that takes sheets of one shape together; no sheet can be called so. */
const ALL = '*'

/** Reads a sheet; the year that its months lack may stand in its name. */
function readNamed({ name, rows }: Sheet, answers: Answers): SheetReading {
  const reading = readSheet(rows, answers)
  const year = yearOfSheet(name)
  const open = reading.inquiry.questions.find(({ answer }) => answer === null)
  if (reading.outcome !== 'question' || open?.id !== 'start' || year === null) return reading
  return readSheet(rows, { ...answers, start: String(year) })
}

/** A sheet without any dates is not taken for figures of its own accord. */
function isUndated({ inquiry }: SheetReading): boolean {
  return (
    inquiry.questions.some(({ id }) => id === 'start' || id === 'frequency') &&
    inquiry.answers.frequency === undefined &&
    inquiry.questions.at(-1)?.answer === null
  )
}

function comesTo(sheet: Sheet, reading: SheetReading): string {
  const hidden = sheet.isHidden ? ', hidden' : ''
  const rows = `${sheet.rows.length} rows${hidden}`
  switch (reading.outcome) {
    case 'ok':
      return `${rows}: ${reading.series.length} ${reading.frequency} series.`
    case 'question':
      return `${rows}: ${reading.inquiry.questions.at(-1)?.ask ?? ''}`
    case 'refused':
      return `${rows}: ${reading.problems[0]?.because ?? ''}`
  }
}

function hiddenNotes(sheet: Sheet, { shape }: SheetReading) {
  const hidden = sheet.rows.filter((row, at) => row.isHidden && shape.rowKinds[at] === 'data')
  if (hidden.length === 0) return []
  return [
    {
      code: 'hidden-rows',
      text: `${hidden.length} hidden ${hidden.length === 1 ? 'row was' : 'rows were'} read like the others.`,
      where: `line ${hidden[0]!.line}`,
    },
  ]
}
