import { Refusal } from '../core/refusal'
import { textAt, type Row } from '../intake/grid'
import { open, type OpenReading } from '../intake/readFile'
import type { Answers, Reading } from '../intake/reading'

/** Notes without which a row or column of that kind was lost in silence. */
const SAID: Readonly<Record<string, readonly string[]>> = {
  title: ['title-rows'],
  total: ['total-rows'],
  note: ['note-rows'],
  'left-out': ['rows-left-out', 'forecasts-left-out'],
}

/**
 * Reads a file, answers what is asked with each first option, and says what is wrong with the reading.
 *
 * @returns null when nothing is
 */
export function complaintAbout(bytes: Uint8Array): string | null {
  let answers: Answers = {}
  for (let round = 0; round < 8; round++) {
    const opened = read(bytes, answers)
    if (opened === null) return null
    const { reading, rows } = opened
    if (reading.outcome === 'refused') {
      return reading.problems.length > 0 ? null : 'refused without a reason'
    }
    if (reading.outcome === 'ok') return wrongIn(reading, rows)
    const open = reading.questions.find(({ answer }) => answer === null)
    if (!open) return 'waits without a question'
    const answer = open.options[0]?.value ?? { start: '2020-01' }[open.id]
    if (answer === undefined) return `the question ${open.id} has no answers`
    answers = { ...answers, [open.id]: answer }
  }
  return 'asks without end'
}

/** Null for a file that cannot be opened, which is said. */
function read(bytes: Uint8Array, answers: Answers): OpenReading | null {
  try {
    return open(bytes).read(answers)
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

function wrongIn(reading: Reading & { outcome: 'ok' }, rows: readonly Row[]): string | null {
  for (const { series } of reading.series) {
    if (series.name === '') return 'a series without a name'
    if (!series.values.every((value) => value === null || Number.isFinite(value))) {
      return 'a value that is no number'
    }
  }
  return lostIn(reading, rows)
}

/** A row or column with something in it that became nothing, and no note says so. */
function lostIn({ shape, notes }: Reading, rows: readonly Row[]): string | null {
  if (shape.layout === 'across' || shape.layout === 'undated') return null
  const codes = new Set(notes.map(({ code }) => code))
  for (const kind of new Set(shape.rowKinds)) {
    const said = SAID[kind]
    if (said && !said.some((code) => codes.has(code)))
      return `rows of the kind ${kind} without a note`
  }
  for (const [column, role] of shape.columnRoles.entries()) {
    if (role !== 'ignored' && role !== 'repeated' && role !== 'total') continue
    const hasText = rows.some(
      (row, i) => shape.rowKinds[i] === 'data' && textAt(row, column) !== '',
    )
    if (hasText && !codes.has(`${role}-columns`))
      return `a column of the kind ${role} without a note`
  }
  return null
}
