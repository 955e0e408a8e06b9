import { describe, expect, it } from 'vitest'
import { MOST_STEPS, type StudyContent } from '~~/shared/api/desk'
import { advance, go, presentOf, trailFrom, trailKept, unsent, type Trail } from './trail'

const about = {
  name: 'Primer',
  unit: 'litres',
  noun: '',
  quantity: 'flow' as const,
  group: '',
  notes: '',
}
const content = (horizon: number): StudyContent => ({
  method: { format: 'elvant-method/1', forecast: { horizon } },
  adjustments: [],
  about,
  vintageId: '0b0e5c1c-2f0f-4b7e-9a55-0a7c8f3b1d11',
})
const walk = (...horizons: number[]) =>
  horizons
    .slice(1)
    .reduce((trail, h) => advance(trail, content(h)), trailFrom(content(horizons[0]!)))
const horizonsOf = ({ steps }: Trail) =>
  steps.map(({ content: { method } }) => method.forecast?.horizon)

describe('the trail of a study', () => {
  it('goes back and on, and a change in between ends what was ahead', () => {
    const back = go(go(walk(1, 2, 3), -1)!, -1)!
    expect(presentOf(back)).toEqual(content(1))
    expect(go(back, -1)).toBeNull()
    expect(presentOf(go(back, 1)!)).toEqual(content(2))
    expect(horizonsOf(advance(back, content(9)))).toEqual([1, 9])
  })

  it('tells a server only what that does not have, and where the study is', () => {
    const first = walk(1, 2, 3)
    expect(unsent(first, [])).toMatchObject({ steps: [{ n: 0 }, { n: 1 }, { n: 2 }], at: 2 })
    expect(unsent(go(first, -1)!, first.steps)).toEqual({ steps: [], at: 1 })
    // Back to the first, then another way: it takes the place of the second and third.
    const other = advance(go(go(first, -1)!, -1)!, content(9))
    expect(unsent(other, first.steps)).toEqual({ steps: [{ n: 1, content: content(9) }], at: 1 })
  })

  it('is the kept one where the study is as it was left, and one step longer where it is not', () => {
    const { steps } = walk(1, 2, 3)
    expect(trailKept({ steps, at: 1 }, content(2))).toEqual({ steps, at: 1 })
    const renamed = { ...content(3), about: { ...about, name: 'Primer, white' } }
    const trail = trailKept({ steps, at: 2 }, renamed)
    expect(presentOf(trail)).toEqual(renamed)
    expect(presentOf(go(trail, -1)!)).toEqual(content(3))
    expect(trailKept({ steps: [], at: null }, content(1))).toEqual(trailFrom(content(1)))
  })

  it('lets the oldest steps fall away', () => {
    const long = walk(...Array.from({ length: MOST_STEPS + 5 }, (_, i) => i))
    expect(long.steps).toHaveLength(MOST_STEPS)
    expect([long.steps[0]!.n, presentOf(long)]).toEqual([5, content(MOST_STEPS + 4)])
  })
})
