import { expect, it } from 'vitest'
import { seen, whyNotComparable } from './comparable'
import type { ArimaFigures } from './model'

const figures = {
  ...{ order: { p: 0, d: 1, q: 1, P: 0, D: 1, Q: 1 }, constant: 'none' },
  ...{ names: ['flood'], k: 4, aicc: 120.5 },
} as unknown as ArimaFigures
const VALUES = [3, 5, null, 8]
const one = seen(figures, null, VALUES, 12)

it('models that were looked at are named by their orders, what is known beside, and their scale', () => {
  expect(one.name).toBe('(0,1,1)(0,1,1), flood')
  const mean = { ...figures, order: { ...figures.order, d: 0, D: 0 }, constant: 'mean' } as const
  expect(seen({ ...mean, names: ['mean'] }, 0, VALUES, 12).name).toBe(
    '(0,0,1)(0,0,1) with mean, λ 0.00',
  )
})

it('a model without a season is named without the orders of one', () => {
  expect(seen(figures, null, VALUES, 1).name).toBe('(0,1,1), flood')
})

it('criteria compare on the same values, differences and scale alone', () => {
  expect(whyNotComparable(one, { ...one, order: { ...one.order, q: 3 } })).toBeNull()
  expect(whyNotComparable(one, { ...one, order: { ...one.order, d: 0 } })).toBe('other differences')
  expect(whyNotComparable(one, { ...one, lambda: 0 })).toBe('another scale')
  expect(whyNotComparable(one, { ...one, values: [3, 5, null, 9] })).toBe('other values')
  expect(whyNotComparable(one, { ...one, values: VALUES.slice(1) })).toBe('other values')
})
