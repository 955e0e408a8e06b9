import { describe, expect, it } from 'vitest'
import { typedIndices } from '../bench/ways/averages/givenIndices'
import { figureIn, figuresIn } from './typedFigures'

describe('figures that are typed', () => {
  it('are parted by spaces, lines, tabs and semicolons, with either decimal mark, or as fractions', () => {
    expect(figuresIn(' 0.25;0,5\n1/4\t-3/320  −2 ')).toEqual([0.25, 0.5, 0.25, -3 / 320, -2])
    expect(figuresIn('')).toEqual([])
  })

  it.each(['x', '1/', '/2', '1/x', ''])('%j is no number, and no 0', (text) => {
    expect(figureIn(text)).toBeNaN()
  })
})

describe('indices that are typed', () => {
  it('around 100 are per cent of a multiplicative model, and factors around 1 are themselves', () => {
    expect(typedIndices('98 102', 'multiplicative')).toEqual({
      ...{ given: [0.98, 1.02], arePercent: true },
    })
    expect(typedIndices('0.98 1.02', 'multiplicative').given).toEqual([0.98, 1.02])
  })

  it('of an additive model are amounts, however large', () => {
    expect(typedIndices('980 -1020 40', 'additive')).toEqual({
      ...{ given: [980, -1020, 40], arePercent: false },
    })
  })
})
