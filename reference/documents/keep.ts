import { writeFileSync } from 'node:fs'
import { analyse } from '../../core/analyse'
import { contest } from '../../core/contest/contest'
import { Refusal } from '../../core/refusal'
import { documentOf } from '../../shared/resultDocument'
import { CONTEST, DOCUMENT_CASES, seriesOfCase } from './cases'
import { saidOf } from './said'

/**
 * Keeps the results of this version in place of the kept ones: only after a change that is meant to change
 * them, and what it changes is read in the difference.
 */
const figures = new Map<string, Record<string, unknown>>()
const words: Record<string, Record<string, unknown>> = {}
for (const one of DOCUMENT_CASES) {
  const said = (words[one.file] ??= {})
  const kept = figures.get(one.file) ?? {}
  figures.set(one.file, kept)
  const series = seriesOfCase(one)
  try {
    const result = analyse(series, one.method)
    const { findings: _, ...document } = documentOf(result)
    kept[one.name] = document
    said[one.name] = saidOf(result, series)
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    said[one.name] = { refused: { because: error.because, where: error.where } }
  }
}
const write = (name: string, text: string) =>
  writeFileSync(new URL(`${name}.json`, import.meta.url), text)
for (const [file, kept] of figures) {
  // A line a case, so that a difference names it.
  const lines = Object.entries(kept).map(([name, one]) => `"${name}": ${JSON.stringify(one)}`)
  write(file, `{\n${lines.join(',\n')}\n}\n`)
}
write('contest', `${JSON.stringify(contest(seriesOfCase(CONTEST), CONTEST.method), null, 1)}\n`)
write('words', `${JSON.stringify(words, null, 1)}\n`)
