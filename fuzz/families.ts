import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { formatPeriod } from '../core/calendar/codes'
import { readFile } from '../intake/readFile'
import type { Answers, Reading } from '../intake/reading'
import { randomFrom } from '../demo/random'
import { familyFile } from './familyFiles'
import { monthEndFile } from './monthEnd'
import type { FamilyFile } from './familyTruth'

/** Files that are made and read; the seed of the first. */
const FILES = Number(process.env.FUZZ_FAMILIES ?? 5000)
const SEED = Number(process.env.FUZZ_SEED ?? Date.now() % 1_000_000)
const FOUND = '.cache/fuzz'

/**
 * Makes files whose content is known by mixing what analysts' files have, and reads them. A file may be asked about or refused;
 * one that is read must be read right. Bounded in count.
 */
const counts = { right: 0, asked: 0, refused: 0, misread: 0 }
for (let i = 0; i < FILES; i++) {
  const random = randomFrom(SEED + i)
  const own = () => random.uniform()
  // Every other file is one of a month's end.
  const file = i % 2 === 0 ? familyFile(own) : monthEndFile(own)
  const how = outcomeOf(file)
  counts[how.kind]++
  if (how.kind === 'misread' || how.kind === 'refused' || process.env.FUZZ_SHOW === how.kind) {
    if (counts[how.kind] > 10) continue
    mkdirSync(FOUND, { recursive: true })
    const path = join(FOUND, `family-${SEED + i}.csv`)
    writeFileSync(path, file.text)
    process.stdout.write(`${how.kind} ${path} (${file.made.join(', ')}): ${how.says}\n`)
  }
}
process.stdout.write(
  `${FILES} files of known content (seed ${SEED}): ${counts.right} read right, ${counts.asked} asked about, ${counts.refused} refused, ${counts.misread} misread in silence\n`,
)
process.exitCode = counts.misread === 0 ? 0 : 1

/** Reads a file; questions whose answer is known are answered. */
function outcomeOf(file: FamilyFile): { kind: keyof typeof counts; says: string } {
  let answers: Answers = {}
  for (;;) {
    const reading = readFile(new TextEncoder().encode(file.text), answers)
    if (reading.outcome === 'ok') {
      const wrong = differs(reading, file)
      return wrong === null ? { kind: 'right', says: '' } : { kind: 'misread', says: wrong }
    }
    if (reading.outcome === 'refused') {
      return { kind: 'refused', says: reading.problems[0]?.because ?? '' }
    }
    const open = reading.questions.find(({ answer }) => answer === null)!
    const known = file.answers[open.id]
    if (known === undefined || answers[open.id] !== undefined) {
      return { kind: 'asked', says: `${open.id}: ${open.ask}` }
    }
    answers = { ...answers, [open.id]: known }
  }
}

/** What a reading says otherwise than the file; null for nothing. */
function differs(reading: Reading & { outcome: 'ok' }, { truth }: FamilyFile): string | null {
  const frequency = { 12: 'monthly', 4: 'quarterly', 1: 'yearly' }[truth.seasons]
  if (reading.frequency !== frequency) return `read as ${reading.frequency}`
  const read = reading.series.map(({ series }) => series)
  if (read.length !== truth.series.length) {
    return `${read.length} series (${read.map(({ name }) => name).join(', ')})`
  }
  for (const [k, { name, values }] of truth.series.entries()) {
    const own = truth.series.length === 1 ? read[0]! : read.find((one) => one.name === name)
    if (!own) return `no "${name}" among ${read.map((one) => one.name).join(', ')}`
    if (JSON.stringify(own.values) !== JSON.stringify(values)) {
      const at = own.values.findIndex((value, i) => value !== values[i])
      return `series ${k + 1}: value ${at + 1} is ${own.values[at]} in place of ${values[at]}`
    }
    const code = formatPeriod(truth.start, own.calendar)
    if (formatPeriod(own.start, own.calendar) !== code) {
      return `begins ${formatPeriod(own.start, own.calendar)} in place of ${code}`
    }
  }
  return null
}
