import { describe, expect, it } from 'vitest'
import { monthByName } from './periods/monthNames'
import { asked, lines, MONTHS, read, sales, seriesOf, values } from './testing'

const months = (count: number, from = 2021) =>
  Array.from(
    { length: count },
    (_, i) => `${from + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}`,
  )
const sum = (own: readonly number[]) => own.reduce((all, value) => all + value, 0)

describe('months without a year', () => {
  const withTotals = lines([
    ['Month', 'Sales'],
    ...MONTHS.flatMap((name, i) => [
      [name, sales(i)],
      ...(i % 3 === 2 ? [[`Q${(i + 1) / 3}`, sum(values(i + 1).slice(-3))]] : []),
    ]),
    ['Total', sum(values(12))],
  ])

  it('beside quarters and a total: the year alone is asked for', () => {
    expect(asked(withTotals)).toEqual(['start'])
    expect(seriesOf(withTotals, { start: '2022' })).toEqual({ Sales: ['2022-01', ...values(12)] })
  })

  it('under a title that states one year: it is taken, and can be changed; when the file was printed is none', () => {
    const rows = MONTHS.map((name, i) => [name, sales(i)])
    const titled = lines([['Sales 2023'], ['Month', 'Litres'], ...rows])
    expect(seriesOf(titled)).toEqual({ Litres: ['2023-01', ...values(12)] })
    expect(seriesOf(titled, { start: '2020' }).Litres![0]).toBe('2020-01')
    expect(asked(lines([['Printed 2023'], ['Month', 'Litres'], ...rows]))).toEqual(['start'])
  })

  it('across, with quarters and a year among them', () => {
    const head = MONTHS.flatMap((name, i) => (i % 3 === 2 ? [name, `Q${(i + 1) / 3}`] : [name]))
    const row = (name: string, more: number) => [
      name,
      ...values(12).flatMap((value, i) => (i % 3 === 2 ? [value + more, 1] : [value + more])),
      99_999,
    ]
    const text = lines([['Product', ...head, 'Year'], row('Varnish', 0), row('Primer', 5)])
    expect(asked(text)).toEqual(['start'])
    expect(seriesOf(text, { start: '2021' })).toEqual({
      Varnish: ['2021-01', ...values(12)],
      Primer: ['2021-01', ...values(12).map((value) => value + 5)],
    })
  })

  it('in tables of a year each that go on from one another', () => {
    const table = (year: number) =>
      lines([
        [`Sales ${year}`],
        ['Month', 'Litres'],
        ...MONTHS.map((name, i) => [name, sales(12 * (year - 2021) + i)]),
      ])
    const going = [table(2021), table(2022)].join('\n\n')
    expect(seriesOf(going)).toEqual({ Litres: ['2021-01', ...values(24)] })
    expect(seriesOf(going, { table: '2' }).Litres).toHaveLength(13)
    expect(asked([table(2021), table(2023)].join('\n\n'))).toEqual(['table'])
  })

  it('under headings that hold the years', () => {
    const text = lines([
      ['Month', 'Sales 2021', 'Sales 2022'],
      ...MONTHS.map((name, i) => [name, sales(i), sales(12 + i)]),
    ])
    expect(seriesOf(text)).toEqual({ Sales: ['2021-01', ...values(24)] })
  })
})

describe('what is no history', () => {
  const rows = months(30).map((month, i) => [month, sales(i)])

  it('stands below a line of its own: left out, kept, or a series of its own', () => {
    const text = lines([
      ['month', 'Sales'],
      ...rows.slice(0, 24),
      ['Forecast', ''],
      ...rows.slice(24),
    ])
    expect(asked(text)).toEqual(['forecast-rows'])
    const by = (answer: string) => seriesOf(text, { 'forecast-rows': answer })
    expect(by('leave-out')).toEqual({ Sales: ['2021-01', ...values(24)] })
    expect(by('keep')).toEqual({ Sales: ['2021-01', ...values(30)] })
    expect(by('apart')).toEqual({
      Sales: ['2021-01', ...values(24)],
      'Sales, forecast': ['2023-01', ...values(30).slice(24)],
    })
  })

  it('bears a mark behind its period', () => {
    for (const mark of ['E', ' (F)', '*']) {
      const marked = rows.map(([, value], i) => [
        `${MONTHS[i % 12]} ${2021 + Math.floor(i / 12)}${i >= 24 ? mark : ''}`,
        value,
      ])
      const text = lines([['Month', 'Sales'], ...marked])
      expect(asked(text), mark).toEqual(['forecast-rows'])
      expect(seriesOf(text, { 'forecast-rows': 'leave-out' }), mark).toEqual({
        Sales: ['2021-01', ...values(24)],
      })
    }
  })

  it('bears a mark behind its year', () => {
    const text = lines([
      ['Year', 'Sales'],
      ...[2018, 2019, 2020, 2021, '2022*'].map((year, i) => [year, 5 + i]),
    ])
    expect(asked(text)).toEqual(['forecast-rows'])
    expect(seriesOf(text, { 'forecast-rows': 'keep' })).toEqual({ Sales: ['2018', 5, 6, 7, 8, 9] })
  })

  it('a star in the middle is a footnote', () => {
    const starred = rows.map(([month, value], i) => [i === 7 ? `${month}*` : month, value])
    expect(seriesOf(lines([['Month', 'Sales'], ...starred]))).toEqual({
      Sales: ['2021-01', ...values(30)],
    })
  })
})

describe('headings in two rows', () => {
  it('a period once over actual and plan names series by both', () => {
    const text = lines([
      ['', 'Jan 2021', '', 'Feb 2021', '', 'Mar 2021', ''],
      ['Shop', 'Actual', 'Plan', 'Actual', 'Plan', 'Actual', 'Plan'],
      ['North', 11, 21, 12, 22, 13, 23],
      ['South', 31, 41, 32, 42, 33, 43],
    ])
    expect(seriesOf(text)).toEqual({
      'Actual · North': ['2021-01', 11, 12, 13],
      'Actual · South': ['2021-01', 31, 32, 33],
      'Plan · North': ['2021-01', 21, 22, 23],
      'Plan · South': ['2021-01', 41, 42, 43],
    })
  })
})

describe('columns that are no sales', () => {
  it('that add up the year so far are asked about, with the differences', () => {
    const soFar = values(36).map((_, i, all) => sum(all.slice(12 * Math.floor(i / 12), i + 1)))
    const text = lines([['month', 'Sales'], ...months(36).map((month, i) => [month, soFar[i]])])
    expect(asked(text)).toEqual(['cumulated'])
    expect(seriesOf(text, { cumulated: 'differences' })).toEqual({
      Sales: ['2021-01', ...values(36)],
    })
    expect(seriesOf(text, { cumulated: 'keep' })).toEqual({ Sales: ['2021-01', ...soFar] })
  })

  it('that begin in the middle of a year lose the first month alone, since nothing is known before it', () => {
    const soFar = values(40).map((_, i, all) => sum(all.slice(12 * Math.floor(i / 12), i + 1)))
    const text = lines([
      ['month', 'Sales YTD'],
      ...months(40)
        .slice(4)
        .map((month, i) => [month, soFar[i + 4]]),
    ])
    expect(seriesOf(text, { cumulated: 'differences' })).toEqual({
      'Sales YTD': ['2021-06', ...values(40).slice(5)],
    })
  })

  it('an ordinary season that rises and falls is not asked about', () => {
    const text = lines([['month', 'Sales'], ...months(36).map((month, i) => [month, sales(i)])])
    expect(read(text).questions).toEqual([])
  })

  it('the year so far beside the values is told as what it is', () => {
    const text = lines([
      ['month', 'Sales', 'Sales YTD'],
      ...months(24).map((month, i) => [
        month,
        sales(i),
        sum(values(i + 1).slice(12 * Math.floor(i / 12))),
      ]),
    ])
    expect(Object.keys(seriesOf(text))).toEqual(['Sales'])
    expect(read(text).notes.map((note) => note.text)).toEqual([
      '"Sales YTD": the year so far, not read as a series.',
    ])
  })

  it('that are headed so are asked about where values are missing too', () => {
    const soFar = values(24).map((_, i, all) => sum(all.slice(12 * Math.floor(i / 12), i + 1)))
    const text = lines([
      ['month', 'Sales YTD'],
      ...months(24).map((month, i) => [month, i === 5 ? '' : soFar[i]]),
    ])
    expect(asked(text)).toEqual(['cumulated'])
    const own = seriesOf(text, { cumulated: 'differences' })['Sales YTD']!
    expect(own.slice(1, 9)).toEqual([...values(5), null, null, sales(7)])
    expect(own.slice(13)).toEqual(values(24).slice(12))
  })

  it('a rolling sum alone is asked about', () => {
    const text = lines([
      ['month', 'Moving average'],
      ...months(24).map((month, i) => [month, sales(i)]),
    ])
    expect(asked(text)).toEqual(['rolling'])
    expect(Object.keys(seriesOf(text, { rolling: 'keep' }))).toEqual(['Moving average'])
    expect(read(text, { rolling: 'stop' }).outcome).toBe('refused')
  })

  it('rolling sums beside the values are left out until they are wanted', () => {
    const text = lines([
      ['month', 'Sales', 'Rolling 12'],
      ...months(24).map((month, i) => [
        month,
        sales(i),
        i < 11 ? '' : sum(values(i + 1).slice(-12)),
      ]),
    ])
    expect(Object.keys(seriesOf(text))).toEqual(['Sales'])
    expect(Object.keys(seriesOf(text, { rolling: 'keep' }))).toEqual(['Sales', 'Rolling 12'])
  })

  it('accounts, postcodes, plants and orders are none, and name series where rows of a period need it', () => {
    const text = lines([
      ['month', 'Plant', 'Order', 'Postcode', 'Account', 'Litres'],
      ...months(24).flatMap((month, i) => [
        [month, 1001, 70_000 + 2 * i, '01067', 8400, sales(i)],
        [month, 1002, 70_001 + 2 * i, '80331', 8400, sales(i) + 5],
      ]),
    ])
    expect(seriesOf(text)).toEqual({
      '1001': ['2021-01', ...values(24)],
      '1002': ['2021-01', ...values(24).map((value) => value + 5)],
    })
    const depots = lines([
      ['month', 'Depot 1', 'Depot 2'],
      ...months(4).map((month, i) => [month, 10 + i, 20 + i]),
    ])
    expect(Object.keys(seriesOf(depots))).toEqual(['Depot 1', 'Depot 2'])
  })
})

describe('counters and days', () => {
  it('a counter is never the year, whatever stands over it', () => {
    for (const heading of ['t', 'No', 'Period', '']) {
      const quarters = Array.from({ length: 16 }, (_, i) => [
        i + 1,
        Math.floor(i / 4) + 1,
        (i % 4) + 1,
        sales(i),
      ])
      const counted = lines([[heading, 'Year', 'Quarter', 'Sales'], ...quarters])
      expect(seriesOf(counted), heading).toEqual({ Sales: ['1-Q1', ...values(16)] })
    }
  })

  it('days under months are those of a year that is asked for', () => {
    const lengths = MONTHS.map((_, m) => new Date(Date.UTC(2023, m + 1, 0)).getUTCDate())
    const text = lines([
      ['Day', ...MONTHS],
      ...Array.from({ length: 31 }, (_, d) => [
        d + 1,
        ...lengths.map((length) => (d < length ? 2 : '')),
      ]),
    ])
    expect(asked(text)).toEqual(['start'])
    expect(seriesOf(text, { start: '2023' })).toEqual({
      Series: ['2023-01', ...lengths.map((length) => 2 * length)],
    })
    // In a leap year the 29th of February would have no value.
    expect(() => seriesOf(text, { start: 'last year' })).toThrow()
  })

  it('a reading that leaves most periods empty is asked about', () => {
    const text = lines([
      ['month', 'Sales'],
      ['2001-01', 5],
      ['2001-02', 6],
      ['2021-03', 7],
      ['2021-04', 8],
    ])
    expect(asked(text)).toEqual(['mostly-empty'])
    expect(seriesOf(text, { 'mostly-empty': 'keep' }).Sales).toHaveLength(1 + 244)
    expect(read(text, { 'mostly-empty': 'stop' }).outcome).toBe('refused')
  })

  it('periods filled up with zeros are those of a fiscal year whose start is asked for', () => {
    const text = lines([
      ['Fiscal year', 'Period', 'Sales'],
      ...values(24).map((value, i) => [
        2021 + Math.floor(i / 12),
        String((i % 12) + 1).padStart(3, '0'),
        value,
      ]),
    ])
    expect(asked(text)).toEqual(['fiscal-start'])
    expect(seriesOf(text, { 'fiscal-start': '7' })).toEqual({ Sales: ['2020-07', ...values(24)] })
  })
})

describe('words and signs of other languages', () => {
  it.each([
    ['styczeń', 1],
    ['lipca', 7],
    ['červenec', 7],
    ['červen', 6],
    ['prosinec', 12],
    ['gennaio', 1],
    ['maart', 3],
    ['junho', 6],
    ['desember', 12],
    ['augusti', 8],
    ['červe', null],
  ])('%s is month %i', (name, month) => {
    expect(monthByName(name)).toBe(month)
  })

  it('a Roman quarter, and signs of currencies', () => {
    const quarters = ['I', 'II', 'III', 'IV'].map((roman, i) => `${roman} kw. 2021;${i + 5} zł`)
    expect(seriesOf(['okres;sales', ...quarters].join('\n'))).toEqual({
      sales: ['2021-Q1', 5, 6, 7, 8],
    })
    const reais = months(3).map((month, i) => `${month};R$ ${i + 5},50`)
    expect(seriesOf(['month;sales', ...reais].join('\n'))).toEqual({
      sales: ['2021-01', 5.5, 6.5, 7.5],
    })
  })

  it('one unit written in two ways is asked about, and taken as one until told otherwise', () => {
    const text = lines([
      ['month', 'Sales'],
      ...months(4).map((month, i) => [month, `${5 + i} ${i === 2 ? 'EUR' : '€'}`]),
    ])
    expect(seriesOf(text)).toEqual({ Sales: ['2021-01', 5, 6, 7, 8] })
    expect(read(text).questions.map(({ id }) => id)).toEqual(['units'])
    expect(read(text, { units: 'stop' }).outcome).toBe('refused')
    expect(read(text.replace('EUR', 'USD')).outcome).toBe('refused')
  })
})

describe('tables as they are printed', () => {
  it('pages with heads of their own and rules are one table', () => {
    const page = (from: number) =>
      [
        `Quillfield Paints        run 03.01.2024   page ${from / 12 + 1}`,
        '-----------------------------',
        'Month        Litres',
        ...MONTHS.map(
          (name, i) =>
            `${name} ${2021 + from / 12}  ${sales(from + i)
              .toLocaleString('en')
              .padStart(8)}`,
        ),
        '',
      ].join('\n')
    const text = [0, 12, 24].map(page).join('\n')
    expect(asked(text)).toEqual(['decimal'])
    expect(seriesOf(text, { decimal: 'point' })).toEqual({ Litres: ['2021-01', ...values(36)] })
  })
})
