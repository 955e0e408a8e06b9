import { describe, expect, it } from 'vitest'
import { disagreements, type Tolerance } from '../../reference/agreement'
import classical from '../../reference/classical.json'
import regression from '../../reference/regression.json'
import stl from '../../reference/stl.json'
import { calculateAll } from './topics'

describe('calc classical against the reference figures', () => {
  const answers = calculateAll(
    'classical',
    classical.cases.map(({ input }) => input),
  )
  classical.cases.forEach(({ id, expect: want, tolerance }, i) => {
    it(id, () => expect(disagreements(answers[i], want, tolerance)).toEqual([]))
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

describe('calc regression against the reference figures', () => {
  const built = regression.cases
  const answers = calculateAll(
    'regression',
    built.map(({ input }) => input),
  )
  it.each(built.map(({ id }, i) => [id, i] as const))('%s', (_, i) => {
    const { expect: want, tolerance } = built[i]!
    const { byName, ...general } = tolerance as typeof tolerance &
      Tolerance & { byName?: Tolerance['keys'] }
    expect(disagreements(answers[i], want, { ...general, keys: byName })).toEqual([])
  })
})
