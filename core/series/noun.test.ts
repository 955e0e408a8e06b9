import { describe, expect, it } from 'vitest'
import { capitalized, nounOf } from './noun'

describe('what values are called', () => {
  it.each([
    [{ name: 'Paint price index' }, 'price index'],
    [{ name: 'Trade-counter takings' }, 'takings'],
    [{ name: 'Exterior paint' }, 'values'],
    [{ name: 'Exterior paint', noun: 'sales' }, 'sales'],
    [{ name: 'Sales, North', noun: '  ' }, 'sales'],
    [{ name: 'Wholesales' }, 'values'],
  ])('of %j', (series, noun) => {
    expect(nounOf(series)).toBe(noun)
  })

  it('begin a line with a capital', () => {
    expect(capitalized('price index')).toBe('Price index')
    expect(capitalized('')).toBe('')
  })
})
