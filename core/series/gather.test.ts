import { describe, expect, it } from 'vitest'
import { gather, GATHERINGS } from './gather'

describe('several values of one period', () => {
  it('become one in each way', () => {
    const values = [4, null, 1, 7]
    expect(GATHERINGS.map((how) => [how, gather(values, how)])).toEqual([
      ['sum', 12],
      ['mean', 4],
      ['median', 4],
      ['first', 4],
      ['last', 7],
      ['count', 3],
      ['min', 1],
      ['max', 7],
    ])
  })

  it('that are all missing stay missing, even counted or summed', () => {
    expect(GATHERINGS.map((how) => gather([null, null], how))).toEqual(GATHERINGS.map(() => null))
  })

  it('are summed to the cent', () => {
    expect(gather(Array<number>(1000).fill(0.1), 'sum')).toBe(100)
    expect(gather([1e16, 1, -1e16], 'sum')).toBe(1)
  })
})
