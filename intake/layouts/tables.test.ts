import { describe, expect, it } from 'vitest'
import { asked, lines, monthRows, MONTHS, read, sales, seriesOf, taken, values } from '../testing'

const both = (count: number) => ['2021-01', ...values(count)] as const

describe('tables side by side', () => {
  const row = (i: number, years: number) =>
    Array.from({ length: years }, (_, k) => [`${MONTHS[i]} ${2021 + k}`, sales(12 * k + i)]).flat()

  it('that go on from one another are one after another, with a blank column between or none', () => {
    for (const gap of [[], ['']]) {
      const head = ['Month', 'Sales', ...gap, 'Month', 'Sales']
      const rows = MONTHS.map((_, i) => [...row(i, 1), ...gap, ...row(i, 2).slice(2)])
      const file = lines([head, ...rows])
      expect(taken(file)).toEqual({ beside: 'all' })
      expect(seriesOf(file)).toEqual({ Sales: both(24) })
    }
  })

  it('take their years from the headings or the line above them', () => {
    const rows = MONTHS.map((name, i) => [name, sales(i), '', name, sales(12 + i)])
    expect(
      seriesOf(
        lines([['2021', '', '', '2022', ''], ['Month', 'Sales', '', 'Month', 'Sales'], ...rows]),
      ),
    ).toEqual({ Sales: both(24) })
    expect(seriesOf(lines([['Month', 'Sales 2021', '', 'Month', 'Sales 2022'], ...rows]))).toEqual({
      Sales: both(24),
    })
  })

  it('that overlap are not joined', () => {
    const rows = MONTHS.map((name, i) => [`${name} 2021`, sales(i), '', `${name} 2021`, 5 * i])
    const file = lines([['Month', 'Sales', '', 'Month', 'Sales'], ...rows])
    expect(taken(file)).not.toHaveProperty('beside')
  })

  it('of years and their sums are no series', () => {
    const rows = monthRows(36, (i) => [sales(i), '', ...(i < 3 ? [2021 + i, 9999 + i] : ['', ''])])
    expect(
      Object.keys(seriesOf(lines([['Month', 'Sales', '', 'Year', 'Total'], ...rows]))),
    ).toEqual(['Sales'])
  })
})

describe('tables below one another', () => {
  const table = (name: string, plus = 0) =>
    `${name}\n${lines([['Month', 'Sales'], ...monthRows(24, (i) => [sales(i) + plus])])}`

  it('are called by the lines above them', () => {
    const file = [table('Interior'), table('Exterior', 5)].join('\n\n')
    expect(taken(file)).toEqual({ table: 'all' })
    expect(seriesOf(file)).toEqual({
      Interior: both(24),
      Exterior: ['2021-01', ...values(24).map((value) => value + 5)],
    })
    expect(Object.keys(seriesOf(file, { table: '2' }))).toEqual(['Sales'])
  })

  it('are asked about where nothing names them', () => {
    expect(asked([table('Run on 2024-01-03'), table('Run on 2024-01-04', 5)].join('\n\n'))).toEqual(
      ['table'],
    )
  })
})

describe('columns that are no sales', () => {
  it.each([
    ['the same in every row', () => 12],
    ['counting on from anywhere', (i: number) => 90_001 + i],
    ['filled up with zeros', (i: number) => `0${1000 + ((i * 37) % 900)}`],
  ])('by their figures: %s', (_, code) => {
    const file = lines([['Month', 'Cd', 'Sales'], ...monthRows(36, (i) => [code(i), sales(i)])])
    expect(Object.keys(seriesOf(file))).toEqual(['Sales'])
    expect(read(file).notes.some(({ text }) => text.includes('"Cd"'))).toBe(true)
  })

  it('of few numbers, each in every month, name the series, whatever they are called', () => {
    const rows = monthRows(24, () => []).flatMap(([month], i) =>
      [10, 20, 30].map((code) => [month, code, sales(i) + code]),
    )
    expect(seriesOf(lines([['Month', 'Cd', 'Sales'], ...rows]))).toEqual(
      Object.fromEntries(
        [10, 20, 30].map((code) => [code, ['2021-01', ...values(24).map((value) => value + code)]]),
      ),
    )
  })

  it('of articles that could be months are none', () => {
    const rows = monthRows(24, () => []).flatMap(([month], i) =>
      [201801, 201802].map((code) => [code, month, sales(i)]),
    )
    expect(Object.keys(seriesOf(lines([['Article', 'Month', 'Sales'], ...rows])))).toEqual([
      '201801',
      '201802',
    ])
  })

  it('the names that each cover all periods come first, who sold it last', () => {
    const rows = monthRows(36, () => []).flatMap(([month], i) =>
      ['North', 'South'].map((region, k) => [
        `${month as string}-01`,
        ['Amy', 'Bo', 'Cy'][(i * 7 + k * 5) % 3],
        region,
        sales(i),
      ]),
    )
    const file = lines([['Date', 'Rep', 'Region', 'Sales'], ...rows])
    expect(Object.keys(seriesOf(file))).toEqual(['North', 'South'])
  })
})

describe('rows that add up those above them', () => {
  it('are totals under any name, or none', () => {
    const years = [2021, 2022].flatMap((_, k) => [
      ...MONTHS.map((name, i) => [name, sales(12 * k + i)]),
      [
        k === 0 ? '' : 'Whole',
        values(24)
          .slice(12 * k, 12 * k + 12)
          .reduce((a, b) => a + b),
      ],
    ])
    const file = lines([['Month', 'Sales'], ...years])
    expect(asked(file)).toEqual(['start'])
    expect(seriesOf(file, { start: '2021' })).toEqual({ Sales: both(24) })
  })
})

describe('two columns of dates', () => {
  it('first proposed is the one that gives whole months', () => {
    const rows = Array.from({ length: 700 }, (_, i) => {
      const day = (n: number) => new Date(Date.UTC(2021, 0, 1 + n)).toISOString().slice(0, 10)
      return [day(i + 3 + ((i * 37) % 90)), day(i), 1 + (i % 9)]
    })
    const file = lines([['Delivered', 'Ordered', 'Cans'], ...rows])
    const [question] = read(file).questions
    expect(question).toMatchObject({ id: 'period-column', answer: null })
    expect(question!.options[0]!.consequence).toContain('Ordered')
  })
})
