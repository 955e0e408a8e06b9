import { describe, expect, it } from 'vitest'
import { foremost } from './foremost'

describe('the figure of a mark', () => {
  it('is that of its period while each has a mark of its own', () => {
    expect([0, 1, 2, 3].map((at) => foremost({ baseline: null }, [4, null, 7], at, 1))).toEqual([
      ...[4, null, 7, null],
    ])
  })

  it('is the mean of a level, and what lies furthest from a baseline', () => {
    const figures = [1.1, 0.6, null, 1.2]
    expect(foremost({ baseline: null }, [2, 4, null, 9], 0, 4)).toBe(5)
    expect(foremost({ baseline: 1 }, figures, 0, 4)).toBe(0.6)
    expect(foremost({ baseline: 1 }, [null, null], 0, 2)).toBeNull()
  })

  it('takes nothing from before the first period or behind the last', () => {
    expect(foremost({ baseline: null }, [10, 20, 30], -5, 3)).toBeNull()
    expect(foremost({ baseline: null }, [10, 20, 30], -1, 2)).toBe(10)
    expect(foremost({ baseline: null }, [10, 20, 30], 2, 5)).toBe(30)
  })
})
