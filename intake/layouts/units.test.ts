import { describe, expect, it } from 'vitest'
import { titleOf } from './observations'
import { looksLikeUnit } from './units'

describe('a unit', () => {
  it.each([
    'litres',
    'thousand litres',
    '€',
    'EUR',
    'kg/day',
    "'000 pieces",
    'in €',
    '%',
    'tins',
    '1,000 €',
  ])('is %s', (text) => expect(looksLikeUnit(text)).toBe(true))
  it.each(['white', '2019 method', 'new', 'North', 'sales', 'provisional', 'A', ''])(
    'is not %s',
    (text) => expect(looksLikeUnit(text)).toBe(false),
  )
})

describe('a heading', () => {
  it.each([
    ['Sales (litres)', { name: 'Sales', unit: 'litres' }],
    ['Paint (white)', { name: 'Paint (white)', unit: '' }],
    ['Paint (white) (litres)', { name: 'Paint (white)', unit: 'litres' }],
    ['Paint [W]', { name: 'Paint', unit: 'W' }],
    ['Paint (litres) []', { name: 'Paint (litres)', unit: '' }],
    ['', { name: 'Column 3', unit: '' }],
  ])('%s', (heading, expected) => expect(titleOf(heading, 2)).toEqual(expected))
})
