import { describe, expect, it } from 'vitest'
import { lines, monthRows, read, sales, seriesOf, taken, values } from '../testing'

const last = (count: number) => (i: number) =>
  i < count - 1
    ? ''
    : values(i + 1)
        .slice(-count)
        .reduce((a, b) => a + b)
const file = (beside: (i: number) => unknown, plus = 0) =>
  lines([['Month', 'Sales', 'B'], ...monthRows(48, (i) => [sales(i) + plus, beside(i)])])

describe('a column made of another', () => {
  it.each([
    ['the sum of the last 12', last(12)],
    ['the mean of the last 3', (i: number) => (i < 2 ? '' : (Number(last(3)(i)) / 3).toFixed(2))],
    [
      'the mean around each, over 3,',
      (i: number) =>
        i < 1 || i > 46 ? '' : ((sales(i - 1) + sales(i) + sales(i + 1)) / 3).toFixed(1),
    ],
    ['all so far', (i: number) => values(i + 1).reduce((a, b) => a + b)],
    [
      'all so far',
      (i: number) =>
        values(i + 1)
          .slice(-((i % 12) + 1))
          .reduce((a, b) => a + b),
    ],
  ])('is told by its figures: %s', (how, beside) => {
    expect(taken(file(beside))).toEqual({ rolling: 'leave-out' })
    expect(Object.keys(seriesOf(file(beside)))).toEqual(['Sales'])
    expect(read(file(beside)).notes.map(({ text }) => text)).toContain(
      `Not read: "B" is ${how} of "Sales".`,
    )
  })

  it('is not one of lines with one slope, each of which is a mean of the others', () => {
    const straight = monthRows(24, (i) => Array.from({ length: 10 }, (_, k) => 100 + k + i + 0.5))
    const names = Array.from({ length: 10 }, (_, k) => `Shop ${k + 1}`)
    expect(Object.keys(seriesOf(lines([['Month', ...names], ...straight])))).toEqual(names)
  })

  it('is not one that only looks like it', () => {
    for (const beside of [
      (i: number) => sales(i),
      (i: number) => 12 * sales(i),
      (i: number) => Number(last(2)(i)) + (i % 5),
    ]) {
      expect(taken(file(beside))).not.toHaveProperty('rolling')
    }
  })
})
