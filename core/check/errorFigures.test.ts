import { describe, expect, it } from 'vitest'
import reference from '../../reference/regression.json'
import { errorFigures, naiveScale } from './errorFigures'

describe('errorFigures', () => {
  it('agree with the reference, a missing actual left out', () => {
    const { input, expect: want } = reference.cases.find(
      ({ id }) => id === 'accuracy-given',
    )! as unknown as {
      input: { actual: (number | null)[]; forecast: number[] }
      expect: Record<string, number | null>
    }
    const got = errorFigures(input.actual, input.forecast, want.maseScale!)
    expect(got.me).toBeCloseTo(want.me!, 10)
    expect(got.mae).toBeCloseTo(want.mae!, 10)
    expect(got.rmse).toBeCloseTo(want.rmse!, 10)
    expect(got.mape).toBeNull()
    expect(got.smape).toBeCloseTo(want.smape!, 10)
    expect(got.mase).toBeCloseTo(want.mase!, 10)
    expect(got.rmsePercentOfMean).toBeCloseTo(want.rmsePercent!, 10)
  })

  it('are undefined without a pair', () => {
    expect(errorFigures([null, 3], [1, null], 2)).toEqual({
      count: 0,
      me: null,
      mae: null,
      rmse: null,
      mape: null,
      smape: null,
      mase: null,
      rmsePercentOfMean: null,
    })
  })

  it('have no MAPE over a zero, no sMAPE over two', () => {
    const got = errorFigures([0, 10], [0, 8], null)
    expect([got.mape, got.smape, got.mase]).toEqual([null, null, null])
  })
})

describe('naiveScale', () => {
  it('is the mean change on the year before', () => {
    expect(naiveScale([1, 2, 4, null, 9, 7], 2)).toBe((3 + 5) / 2)
  })

  it('is undefined in a first year, and where nothing ever changes', () => {
    expect(naiveScale([1, 2], 4)).toBeNull()
    expect(naiveScale([1, 2, 1, 2], 2)).toBeNull()
  })
})
