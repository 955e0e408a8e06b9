import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { contest } from '../../core/contest/contest'
import { Refusal } from '../../core/refusal'
import { documentOf } from '../../shared/resultDocument'
import { disagreements } from '../agreement'
import { saidOf } from './said'
import { CONTEST, DOCUMENT_CASES, seriesOfCase, type DocumentCase } from './cases'

const read = (name: string) =>
  JSON.parse(readFileSync(new URL(`${name}.json`, import.meta.url), 'utf8'))
const words = read('words')

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
  it('of a contest come out again', () => {
    const held = contest(seriesOfCase(CONTEST), CONTEST.method)
    expect(disagreements(held, read('contest'), { abs: 1e-9, rel: 1e-12 })).toEqual([])
  })

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
        expect(disagreements(saidOf(done.result, done.series), said, tolerance), one.name).toEqual(
          [],
        )
      }
    })
  }
})
