import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { Refusal } from '../../core/refusal'
import { methodSentence } from '../../core/sentence'
import { documentOf } from '../../shared/resultDocument'
import { disagreements } from '../agreement'
import { DOCUMENT_CASES, seriesOfCase, type DocumentCase } from './cases'

const read = (name: string) =>
  JSON.parse(readFileSync(new URL(`${name}.json`, import.meta.url), 'utf8'))
const words = read('words')

/** What is said of a result: the sentence with its words in brackets, and the findings. */
function saidOf({ result, series }: NonNullable<ReturnType<typeof run>['done']>) {
  const pieces = methodSentence(result.method, series)
  return {
    sentence: pieces
      .map((piece) => (typeof piece === 'string' ? piece : `[${piece.id}: ${piece.text}]`))
      .join(''),
    findings: result.findings,
  }
}

/** Findings in one order: which way of the house says a sentence first is no part of it. */
function inOrder({ sentence, findings }: Pick<ReturnType<typeof saidOf>, 'sentence' | 'findings'>) {
  const sorted = [...findings].sort((a, b) => (a.text < b.text ? -1 : 1))
  return { sentence, findings: sorted }
}

function run(one: DocumentCase) {
  const series = seriesOfCase(one)
  try {
    return { done: { series, result: analyse(series, one.method) } }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { refused: { because: error.because, where: error.where } }
  }
}

describe('results that were kept', () => {
  for (const file of new Set(DOCUMENT_CASES.map((one) => one.file))) {
    it(`of ${file} come out again`, () => {
      const figures = read(file)
      for (const one of DOCUMENT_CASES.filter((other) => other.file === file)) {
        const { done, refused } = run(one)
        const said = words[file][one.name]
        if (!done) {
          expect({ refused }, one.name).toEqual(said)
          continue
        }
        const size = Math.max(...done.series.values.map((value) => Math.abs(value ?? 0)))
        const tolerance = { abs: 1e-12 * size, rel: 1e-12 }
        expect(
          disagreements(documentOf(done.result), figures[one.name], tolerance),
          one.name,
        ).toEqual([])
        expect(disagreements(inOrder(saidOf(done)), inOrder(said), tolerance), one.name).toEqual([])
      }
    })
  }
})
