import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatPeriod } from '../core/calendar/period'
import type { Reading } from './reading'
import { readTable } from './readTable'

function ok(text: string) {
  const reading = readTable(text)
  if (reading.outcome === 'refused') throw new Error(JSON.stringify(reading.problems))
  return reading
}

function first(text: string) {
  const { series } = ok(text).series[0]!
  return { ...series, start: formatPeriod(series.start, series.calendar) }
}

function problems(text: string) {
  const reading: Reading = readTable(text)
  if (reading.outcome === 'ok') throw new Error('It was not refused.')
  return reading.problems
}

describe('periods', () => {
  it.each([
    ['2021-03', 'monthly', '2021-03'],
    ['2021-03-01', 'monthly', '2021-03'],
    ['2021-03-31', 'monthly', '2021-03'],
    ['Mar 2021', 'monthly', '2021-03'],
    ['March 2021', 'monthly', '2021-03'],
    ['mar. 2021', 'monthly', '2021-03'],
    ['Mar-2021', 'monthly', '2021-03'],
    ['2021 Q1', 'quarterly', '2021-Q1'],
    ['2021-Q1', 'quarterly', '2021-Q1'],
    ['2021q1', 'quarterly', '2021-Q1'],
  ])('%s is %s %s', (text, frequency, start) => {
    const next = frequency === 'monthly' ? '2021-04' : '2021-Q2'
    const got = first(`period,Sales\n${text},5\n${next},7`)
    expect([got.calendar.frequency, got.start, got.values]).toEqual([frequency, start, [5, 7]])
  })

  it.each([
    ['year,month,Sales\n2021,1,5\n2021,2,7', 'monthly', '2021-01'],
    ['month,year,Sales\nJan,2021,5\nFeb,2021,7', 'monthly', '2021-01'],
    ['Year,Quarter,Sales\n2021,1,5\n2021,2,7', 'quarterly', '2021-Q1'],
    ['Year,Q,Sales\n2021,Q1,5\n2021,Q2,7', 'quarterly', '2021-Q1'],
  ])('in two columns: %j', (text, frequency, start) => {
    const got = first(text)
    expect([got.calendar.frequency, got.start, got.values]).toEqual([frequency, start, [5, 7]])
  })

  it('a month every three is a quarter, every twelve a year', () => {
    expect(first('m,x\n2021-03-31,1\n2021-06-30,2\n2021-12-31,4')).toMatchObject({
      start: '2021-Q1',
      values: [1, 2, null, 4],
    })
    expect(first('m,x\n2019-12,1\n2020-12,2\n2021-12,3')).toMatchObject({
      start: '2019',
      values: [1, 2, 3],
    })
  })

  it.each(['2021-13', '2021-02-30', '2021-04-31', 'Q5 2021', 'Summer 2021', 'Total'])(
    '%s is no period, and its line is named',
    (text) => {
      const found = problems(`month,Sales\n2021-01,5\n2021-02,6\n${text},7`)
      expect(found).toHaveLength(1)
      expect(found[0]).toMatchObject({ line: 4, column: 1 })
      expect(found[0]!.because).toContain(`"${text}"`)
    },
  )

  it('daily rows are not taken for months', () => {
    const [problem] = problems('day,Sales\n2021-01-01,5\n2021-01-02,6\n2021-02-01,3')
    expect(problem).toMatchObject({ line: 3, column: 1 })
    expect(problem!.because).toContain('Daily rows')
  })

  it('months and quarters in one column are refused', () => {
    expect(problems('p,x\n2021-01,1\n2021 Q2,2\n2021-03,4')[0]).toMatchObject({ line: 3 })
  })

  it('a wrong year does not make a series of endless empty months', () => {
    expect(problems('m,x\n0021-01,1\n2021-02,2\n2021-03,2')[0]!.because).toContain(
      'is the year right',
    )
  })
})

describe('order, gaps and repetitions', () => {
  it('a period without a row is missing, and it is said', () => {
    const reading = ok('month,Sales\n2021-01,5\n2021-04,8\n2021-05,9')
    expect(reading.series[0]!.series.values).toEqual([5, null, null, 8, 9])
    expect(reading.notes).toContainEqual({
      code: 'missing-periods',
      text: '2 periods have no row, the first is Feb 2021; they are kept as missing.',
      where: '2021-02',
    })
  })

  it('rows in any order are put in order, and it is said', () => {
    const reading = ok('month,Sales\n2021-03,3\n2021-01,1\n2021-02,2')
    expect(reading.series[0]!.series.values).toEqual([1, 2, 3])
    expect(reading.notes.map(({ code }) => code)).toEqual(['sorted'])
  })

  it('a period that stands twice is refused with both lines', () => {
    const [problem] = problems('month,Sales\n2021-01,1\n2021-02,2\n2021-01,3')
    expect(problem).toMatchObject({ line: 4, column: 1 })
    expect(problem!.because).toContain('on line 2')
  })

  it('any order of the same rows reads the same', () => {
    const rows = Array.from(
      { length: 24 },
      (_, i) => `${2020 + Math.floor(i / 12)}-${(i % 12) + 1},${i}`,
    )
    fc.assert(
      fc.property(fc.shuffledSubarray(rows, { minLength: 24 }), (shuffled) => {
        expect(first(['m,x', ...shuffled].join('\n')).values).toEqual(rows.map((_, i) => i))
      }),
    )
  })
})

describe('values', () => {
  it.each(['', 'NA', 'n/a', '-', '#N/A', '..'])('"%s" is missing, not zero', (mark) => {
    expect(first(`m,x\n2021-01,1\n2021-02,${mark}\n2021-03,3`).values).toEqual([1, null, 3])
  })

  it.each([
    ['-12.5', -12.5],
    ['+7', 7],
    ['.5', 0.5],
    ['1e3', 1000],
    ['0', 0],
  ])('%s is %d', (text, value) => {
    expect(first(`m,x\n2021-01,${text}\n2021-02,1`).values[0]).toBe(value)
  })

  it.each(['Infinity', '0x1F', 'NaN', 'about 5', '1e999', '"1,234"', "1'234", '1.234.567'])(
    '%s is refused with its cell',
    (text) => {
      expect(problems(`m,x\n2021-01,1\n2021-02,${text}\n2021-03,3`)[0]).toMatchObject({
        line: 3,
        column: 2,
      })
    },
  )

  it('every bad cell is told, in the order of the file', () => {
    const found = problems('m,x,y\n2021-01,a,1\nTotal,2,b\n2021-03,c,3')
    expect(found.map(({ line, column }) => [line, column])).toEqual([
      [2, 2],
      [3, 1],
      [3, 3],
      [4, 2],
    ])
  })

  it('a column of nothing is refused, one without even a heading passed over', () => {
    expect(problems('m,x,y\n2021-01,1,\n2021-02,2,')[0]!.because).toContain('"y" has no value')
    expect(ok('m,x,\n2021-01,1,\n2021-02,2,').notes.map(({ code }) => code)).toEqual([
      'empty-column',
    ])
  })
})

describe('headings', () => {
  it('give name and unit', () => {
    expect(first('m,Exterior paint (litres)\n2021-01,1\n2021-02,2')).toMatchObject({
      name: 'Exterior paint',
      unit: 'litres',
    })
    expect(first('m,Takings [€]\n2021-01,1\n2021-02,2')).toMatchObject({
      name: 'Takings',
      unit: '€',
    })
    expect(first('m,Sales\n2021-01,1\n2021-02,2')).toMatchObject({ name: 'Sales', unit: '' })
  })

  it('may be absent, and it is said', () => {
    const reading = ok('2021-01,5\n2021-02,6')
    expect(reading.hasHeader).toBe(false)
    expect(reading.series[0]!.series).toMatchObject({ name: 'Column 2', values: [5, 6] })
    expect(reading.notes[0]!.code).toBe('no-header')
  })

  it('several columns are several series on one axis', () => {
    const reading = ok('m,North,South\n2021-01,1,\n2021-02,2,4')
    expect(
      reading.series.map(({ series, column }) => [series.name, column, series.values]),
    ).toEqual([
      ['North', 1, [1, 2]],
      ['South', 2, [null, 4]],
    ])
    expect(reading.roles).toEqual(['period', 'value', 'value'])
  })

  it('are text whatever they hold', () => {
    const name = '=HYPERLINK("x") <script>alert(1)</script> \u202Eabc 🎨'
    const quoted = `"${name.replaceAll('"', '""')}"`
    expect(first(`m,${quoted}\n2021-01,1\n2021-02,2`).name).toBe(name)
  })
})

describe('the text itself', () => {
  it.each([
    ['semicolons', ';'],
    ['tabs', '\t'],
    ['bars', '|'],
  ])('may be separated by %s', (_, mark) => {
    expect(first(`m,x\n2021-01,5\n2021-02,6`.replaceAll(',', mark)).values).toEqual([5, 6])
  })

  it('may begin with a byte-order mark and end lines as it likes', () => {
    expect(first('\uFEFFm,x\r\n2021-01,5\r\n\r\n2021-02,6\r\n').values).toEqual([5, 6])
  })

  it('counts lines through quoted line breaks and empty lines', () => {
    const text = 'm,"Sales\nof paint"\n2021-01,5\n\n2021-02,oops\n'
    expect(problems(text)[0]).toMatchObject({ line: 5, column: 2 })
  })

  it('without anything in it, or without periods, says so', () => {
    expect(problems('')[0]!.because).toContain('nothing in it')
    expect(problems('  \n \n')[0]!.because).toContain('nothing in it')
    expect(problems('a,b\n1,2\n3,4')[0]!.because).toContain('No column of periods')
    expect(problems('m\n2021-01\n2021-02')[0]!.because).toContain('no column of values')
  })

  it('with an open quotation mark names the line', () => {
    expect(problems('m,x\n2021-01,5\n2021-02,"6\n2021-03,7')[0]!.because).toContain('never closed')
  })

  it('of any kind is read or refused, never a crash and never a NaN', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 200 }),
          fc
            .array(
              fc.tuple(
                fc.constantFrom('2021-01', '2021-02', '2021 Q3', 'Mar 2022', 'x', '', '1e5'),
                fc.constantFrom('1', '-2.5', '', 'NA', '1,5', '"', 'Infinity'),
              ),
              { maxLength: 12 },
            )
            .map((rows) => rows.map((row) => row.join(',')).join('\n')),
        ),
        (text) => {
          const reading = readTable(text)
          if (reading.outcome === 'refused') {
            expect(reading.problems.length).toBeGreaterThan(0)
            return
          }
          for (const { series } of reading.series) {
            expect(series.values.every((value) => value === null || Number.isFinite(value))).toBe(
              true,
            )
          }
        },
      ),
      { numRuns: 500 },
    )
  })
})
