import { describe, expect, it } from 'vitest'
import { disagreements } from '../../reference/agreement'
import classical from '../../reference/classical.json'
import stl from '../../reference/stl.json'
import { calculateAll } from './topics'

/** Kinds and options of the reference that are not built yet; each must be refused by name. */
function notBuilt(input: Record<string, unknown>): boolean {
  const { kind, trend } = input as {
    kind: string

    trend?: { form: string }
  }
  if (kind === 'forecast') return trend!.form !== 'linear'
  return kind !== 'classical' && kind !== 'moving-average'
}

describe('calc classical against the reference figures', () => {
  const answers = calculateAll(
    'classical',
    classical.cases.map(({ input }) => input),
  )
  classical.cases.forEach(({ id, input, expect: want, tolerance }, i) => {
    if (notBuilt(input)) {
      it(`${id}: refused by name`, () => {
        expect(answers[i]).toMatchObject({
          refused: true,
          because: expect.stringContaining('not available'),
        })
      })
    } else {
      it(id, () => expect(disagreements(answers[i], want, tolerance)).toEqual([]))
    }
  })
})

describe('calc stl against the reference figures', () => {
  const answers = calculateAll(
    'stl',
    stl.cases.map(({ input }) => input),
  )
  it.each(stl.cases.map(({ id }, i) => [id, i] as const))('%s', (_, i) => {
    const { expect: want, tolerance } = stl.cases[i]!
    expect(disagreements(answers[i], want, tolerance)).toEqual([])
  })
})
