import { describe, expect, it } from 'vitest'
import { lines, read, seriesOf, taken } from '../testing'

const day = (n: number) => new Date(Date.UTC(2021, 0, n + 1))
const code = (date: Date) => date.toISOString().slice(0, 10)
const days = (count: number, isThere: (date: Date) => boolean, value = 10) =>
  lines([
    ['Date', 'Cans'],
    ...Array.from({ length: count }, (_, n) => day(n))
      .filter(isThere)
      .map((date) => [code(date), value]),
  ])

describe('months whose rows are not all there', () => {
  it('a week that is missing within makes its month incomplete', () => {
    const weeks = Array.from({ length: 104 }, (_, k) => day(3 + 7 * k)).filter((_, k) => k !== 40)
    const file = lines([['Week', 'Cans'], ...weeks.map((date) => [code(date), 7])])
    expect(taken(file).incomplete).toBe('leave-out')
    expect(seriesOf(file).Cans![10]).toBeNull()
    expect(seriesOf(file, { incomplete: 'keep' }).Cans![10]).toBe(21)
  })

  it('weeks that are missing every year are not', () => {
    const isThere = (date: Date) => !(date.getUTCMonth() === 7 && date.getUTCDate() < 15)
    const weeks = Array.from({ length: 156 }, (_, k) => day(3 + 7 * k)).filter(isThere)
    const file = lines([['Week', 'Cans'], ...weeks.map((date) => [code(date), 7])])
    expect(taken(file)).not.toHaveProperty('incomplete')
  })

  it('a last month that always ends so early is whole', () => {
    const closes = (date: Date) => date.getUTCMonth() === 11 && date.getUTCDate() > 20
    expect(taken(days(1095, (date) => !closes(date)))).not.toHaveProperty('incomplete')
    const once = (date: Date) => !closes(date) || date.getUTCFullYear() < 2023
    expect(taken(days(1095, once)).incomplete).toBe('leave-out')
  })

  it('a month within that has far fewer days than in any other year is not', () => {
    const flood = (date: Date) => code(date) < '2022-06-05' || code(date) > '2022-06-24'
    const file = days(1095, flood)
    expect(read(file).notes.find(({ code: what }) => what === 'incomplete')?.text).toBe(
      'Jun 2022 is not complete and left out.',
    )
  })
})

describe('flows, prices and balances in one file', () => {
  const file = lines([
    ['Date', 'Sales', 'Price', 'Stock'],
    ...Array.from({ length: 365 }, (_, n) => [code(day(n)), 1 + (n % 3), 5 + (n % 2), 900 - 2 * n]),
  ])

  it('are each gathered in their own way, which can be said for each', () => {
    expect(taken(file)).toMatchObject({
      'gather-flow': 'sum',
      'gather-price': 'mean',
      'gather-balance': 'last',
    })
    const { Sales, Price, Stock } = seriesOf(file)
    expect([Sales![1], Stock![1]]).toEqual([61, 840])
    expect(Price![2]).toBeCloseTo(5.5, 12)
    expect(seriesOf(file, { 'gather-balance': 'mean' }).Stock![1]).toBe(870)
  })

  it('and are flows and levels from then on', () => {
    const reading = read(file)
    const series = reading.outcome === 'ok' ? reading.series : []
    expect(series.map(({ series: { quantity } }) => quantity)).toEqual([
      undefined,
      'level',
      'level',
    ])
  })

  it('count the rows of the file, whatever the number of its columns', () => {
    expect(read(file).notes.find(({ code: what }) => what === 'gathered')?.text).toMatch(
      /^365 daily rows/,
    )
  })
})
