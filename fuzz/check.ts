import { open, readFile } from '../intake/readFile'
import { textAt } from '../intake/grid'
import type { Answers, Reading } from '../intake/reading'

/** Notes without which a row or column of that kind was lost in silence. */
const SAID: Readonly<Record<string, string>> = {
  title: 'title-rows',
  total: 'total-rows',
  note: 'note-rows',
  'left-out': 'rows-left-out',
}

/**
 * Reads a file, answers what is asked with each first option, and says what is wrong with the reading.
 *
 * @returns null when nothing is
 */
export function complaintAbout(bytes: Uint8Array): string | null {
  let answers: Answers = {}
  for (let round = 0; round < 8; round++) {
    const reading = readFile(bytes, answers)
    if (reading.outcome === 'refused') {
      return reading.problems.length > 0 ? null : 'refused without a reason'
    }
    if (reading.outcome === 'ok') return wrongIn(reading, bytes)
    const open = reading.questions.find(({ answer }) => answer === null)
    if (!open) return 'waits without a question'
    const answer = open.options[0]?.value ?? { start: '2020-01' }[open.id]
    if (answer === undefined) return `the question ${open.id} has no answers`
    answers = { ...answers, [open.id]: answer }
  }
  return 'asks without end'
}

function wrongIn(reading: Reading & { outcome: 'ok' }, bytes: Uint8Array): string | null {
  for (const { series } of reading.series) {
    if (series.name === '') return 'a series without a name'
    if (!series.values.every((value) => value === null || Number.isFinite(value))) {
      return 'a value that is no number'
    }
  }
  return lostIn(reading, bytes)
}

/** A row or column with something in it that became nothing, and no note says so. */
function lostIn({ shape, notes, sheet }: Reading, bytes: Uint8Array): string | null {
  if (shape.layout === 'across' || shape.layout === 'undated') return null
  const codes = new Set(notes.map(({ code }) => code))
  for (const kind of new Set(shape.rowKinds)) {
    const code = SAID[kind]
    if (code && !codes.has(code)) return `rows of the kind ${kind} without a note`
  }
  const rows = open(bytes).rowsOf(sheet)
  for (const [column, role] of shape.columnRoles.entries()) {
    if (role !== 'ignored' && role !== 'total') continue
    const hasText = rows.some(
      (row, i) => shape.rowKinds[i] === 'data' && textAt(row, column) !== '',
    )
    if (hasText && !codes.has(`${role}-columns`))
      return `a column of the kind ${role} without a note`
  }
  return null
}
