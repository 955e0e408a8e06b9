import { describe, expect, it } from 'vitest'
import { asked, lines, MONTHS, read, seriesOf } from '../testing'

const dates = Array.from({ length: 500 }, (_, n) => new Date(Date.UTC(2021, 0, 1 + n)))
const file = (text: (date: Date) => string) => {
  const head = text(dates[0]!).includes(',') ? ['Month', 'Day', 'Cans'] : ['Day', 'Cans']
  return lines([head, ...dates.map((date) => [text(date), 1 + (date.getUTCDate() % 2)])])
}
const two = (n: number) => String(n).padStart(2, '0')

describe('days without a year', () => {
  it.each([
    ['1 Jan', (date: Date) => `${date.getUTCDate()} ${MONTHS[date.getUTCMonth()]}`],
    ['01.01.', (date: Date) => `${two(date.getUTCDate())}.${two(date.getUTCMonth() + 1)}.`],
    ['Jan beside 1', (date: Date) => `${MONTHS[date.getUTCMonth()]},${date.getUTCDate()}`],
  ])('%s: the year of the first is asked, and goes up where days begin anew', (_, text) => {
    expect(asked(file(text))).toEqual(['start'])
    const own = Object.values(seriesOf(file(text), { start: '2021' }))[0]!
    expect(own.slice(0, 4)).toEqual(['2021-01', 47, 42, 47])
    expect(own).toHaveLength(1 + 16)
  })

  it('01/01 down and years across are days of those years', () => {
    const year = dates.slice(0, 365)
    const rows = year.map((date) => [
      `${two(date.getUTCDate())}/${two(date.getUTCMonth() + 1)}`,
      1,
      2,
    ])
    expect(Object.values(seriesOf(lines([['Day', 2021, 2022], ...rows])))).toEqual([
      [
        '2021-01',
        ...[1, 2].flatMap((value) =>
          [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31].map((n) => n * value),
        ),
      ],
    ])
  })

  it('are none where a month stands beside the codes of depots', () => {
    const rows = Array.from({ length: 72 }, (_, i) => [
      ...[MONTHS[Math.floor(i / 3) % 12], 10 * ((i % 3) + 1), i % 2 === 0 ? 300 + i : 410 - i],
    ])
    const { questions } = read(lines([['Month', 'Depot', 'Cans'], ...rows]))
    expect(questions.map(({ ask }) => ask).join()).not.toContain('begin with day')
  })

  it('are none where each month stands once: Jan 16 is 2016', () => {
    const rows = Array.from({ length: 48 }, (_, i) => [
      `${MONTHS[i % 12]} ${16 + Math.floor(i / 12)}`,
      i + 5,
    ])
    expect(seriesOf(lines([['Month', 'Cans'], ...rows])).Cans![0]).toBe('2016-01')
  })
})

describe('years of two digits under a heading that says so', () => {
  it('are years beside months', () => {
    const rows = Array.from({ length: 36 }, (_, i) => [
      21 + Math.floor(i / 12),
      (i % 12) + 1,
      i + 5,
    ])
    expect(seriesOf(lines([['Year', 'Month', 'Cans'], ...rows])).Cans![0]).toBe('2021-01')
  })
})

describe('a thirteenth period', () => {
  const rows = (last: number) =>
    Array.from({ length: 39 }, (_, i) => [
      2021 + Math.floor(i / 13),
      (i % 13) + 1,
      i % 13 === 12 ? last : 100 + i,
    ])
  const years = (last: number) => lines([['Year', 'Period', 'Cans'], ...rows(last)])

  it('is a season of its own where it holds as much as the others', () => {
    expect(seriesOf(years(120)).Cans![0]).toBe('2021-S1')
  })

  it('is asked about where it holds little, and left out becomes twelve months', () => {
    expect(asked(years(3))).toEqual(['thirteenth'])
    const own = seriesOf(years(3), { thirteenth: 'leave-out', 'fiscal-start': '1' }).Cans!
    expect(own).toHaveLength(37)
    expect(own[0]).toBe('2021-01')
  })
})
