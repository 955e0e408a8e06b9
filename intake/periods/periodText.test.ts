import { describe, expect, it } from 'vitest'
import { monthByName } from './monthNames'
import { dependsOnOrder, readPeriod } from './periodText'
import { readSeason } from './seasonText'
import { thursdayOf, yearOf, type PeriodReading } from './periodReading'

/** A reading as one short word. */
function word(reading: PeriodReading | null): string {
  if (reading === null) return 'none'
  switch (reading.kind) {
    case 'day':
      return `${reading.year}-${reading.month}-${reading.day}`
    case 'week':
      return `${reading.year} W${reading.week}`
    case 'month':
      return `${reading.year}-${reading.month}`
    case 'quarter':
      return `${reading.year} Q${reading.quarter}`
    case 'half-year':
      return `${reading.year} H${reading.half}`
    case 'year':
      return `${reading.year}`
    case 'fiscal':
      return `${reading.year} P${reading.period} of ${reading.of}`
    case 'named-season':
      return `${reading.year} season ${reading.season}`
    case 'season':
      return `${reading.year} S${reading.season}`
  }
}

describe('a period written', () => {
  it.each([
    ['second quarter of 2021', '2021 Q2'],
    ['2021 Fourth quarter', '2021 Q4'],
    ['First half 2021', '2021 H1'],
    ['28 Dec - 3 Jan 2021', '2020 W53'],
    ['Jan 4 – Jan 10, 2021', '2021 W1'],
    ['2021-01-04/2021-01-08', '2021 W1'],
    ['2021-04-01 to 2021-06-30', '2021 Q2'],
    ['1 Jan 2021 to 30 Jun 2021', '2021 H1'],
    ['2021-01-01 - 2021-12-31', '2021'],
    ['2021-02-01 - 2021-02-28', '2021-2'],
    ['2021-02-01 - 2021-02-27', 'none'],
    ['2021-01-04 - 2021-01-06', 'none'],
    ['Jan 2021 - Mar 2021', '2021 Q1'],
    ['Feb 2021 - Apr 2021', 'none'],
    ['w/e 10/01/2021', '2021 W1'],
    ['week commencing 04.01.2021', '2021 W1'],
    ['Week of 3 Jan 2021', '2021 W1'],
    ['Month ended 31 January 2021', '2021-1-31'],
    ['Winter 2018/19', '2019 season 4'],
    ['Jan/Feb 2021', '2021 S1'],
    ['Feb/Mar 2021', 'none'],
    ['2021-03', '2021-3'],
    ['2021/3', '2021-3'],
    ['2021.03', '2021-3'],
    ['03/2021', '2021-3'],
    ['3-2021', '2021-3'],
    ['202103', '2021-3'],
    ['2021M03', '2021-3'],
    ['2021 m3', '2021-3'],
    ['M03 2021', '2021-3'],
    ['Mar 2021', '2021-3'],
    ['MAR 2021', '2021-3'],
    ['March, 2021', '2021-3'],
    ['Mar. 2021', '2021-3'],
    ["Mar '21", '2021-3'],
    ['Mar-21', '2021-3'],
    ['Mar/21', '2021-3'],
    ['2021 March', '2021-3'],
    ['Sept 2021', '2021-9'],
    ['März 2021', '2021-3'],
    ['Mrz 2021', '2021-3'],
    ['Jänner 2021', '2021-1'],
    ['Dez. 21', '2021-12'],
    ['févr. 2021', '2021-2'],
    ['aout 2021', '2021-8'],
    ['juin 2021', '2021-6'],
    ['juillet 2021', '2021-7'],
    ['septiembre de 2021', '2021-9'],
    ['ene-21', '2021-1'],
    ['2021-03-31', '2021-3-31'],
    ['2021/3/1', '2021-3-1'],
    ['20210301', '2021-3-1'],
    ['2021-03-01T00:00:00.000Z', '2021-3-1'],
    ['2021-03-01 13:45', '2021-3-1'],
    ['2021-03-01 13:45:10 +01:00', '2021-3-1'],
    ['31.03.2021', '2021-3-31'],
    ['31/03/21', '2021-3-31'],
    ['1. März 2021', '2021-3-1'],
    ['1er mars 2021', '2021-3-1'],
    ['1 de marzo de 2021', '2021-3-1'],
    ['31-Mar-2021', '2021-3-31'],
    ['March 31, 2021', '2021-3-31'],
    ['March 3rd, 2021', '2021-3-3'],
    ['2021 Q1', '2021 Q1'],
    ['2021-Q1', '2021 Q1'],
    ['2021q1', '2021 Q1'],
    ['Q1 2021', '2021 Q1'],
    ["Q1 '21", '2021 Q1'],
    ['1Q21', '2021 Q1'],
    ['Qtr 1 2021', '2021 Q1'],
    ['1st quarter 2021', '2021 Q1'],
    ['1. Quartal 2021', '2021 Q1'],
    ['T1 2021', '2021 Q1'],
    ['1er trimestre 2021', '2021 Q1'],
    ['H1 2021', '2021 H1'],
    ['2021-H2', '2021 H2'],
    ['1. Halbjahr 2021', '2021 H1'],
    ['S2 2021', '2021 H2'],
    ['2021-W05', '2021 W5'],
    ['2021W05', '2021 W5'],
    ['KW 5 2021', '2021 W5'],
    ['week 5, 2021', '2021 W5'],
    ['FY2021 P03', '2021 P3 of 12'],
    ['2021-P12', '2021 P12 of 12'],
    ['P03 FY21', '2021 P3 of 12'],
    ['FY21 Q1', '2021 P1 of 4'],
    ['Q4 FY2021', '2021 P4 of 4'],
    ['2020/21 Q2', '2021 P2 of 4'],
    ['P13 2021', '2021 P13 of 12'],
    ['Summer 2021', '2021 season 2'],
    ['2021 Herbst', '2021 season 3'],
    ['Year 1 Q3', '1 Q3'],
    ['Year 2, March', '2-3'],
    ['Jan 1 2000', '2000-1-1'],
    ['Fri, 01 Jan 2021 00:00:00 GMT', '2021-1-1'],
    ['Mo. 4.1.2021', '2021-1-4'],
  ])('%s is %s', (text, expected) => {
    expect(word(readPeriod(text, 'day-first'))).toBe(expected)
  })

  it.each(['2021-13', '2021-00', '2021-02-30', '31.04.2021', 'Q5 2021', 'H3 2021', '2021-W54'])(
    '%s does not exist',
    (text) => {
      expect(readPeriod(text, 'day-first')).toBeNull()
    },
  )

  it.each(['P14 2021', 'Total 2021', '2021', '5', '12.5', '1,234', 'Marmalade 21'])(
    '%s is none',
    (text) => {
      expect(readPeriod(text, 'day-first')).toBeNull()
    },
  )

  it('with the month before the day is read so only when told', () => {
    expect(word(readPeriod('3/1/2021', 'month-first'))).toBe('2021-3-1')
    expect(word(readPeriod('3/1/2021', 'day-first'))).toBe('2021-1-3')
    expect(['3/1/2021', '3/3/2021', '13/1/2021', '2021-03-01'].map(dependsOnOrder)).toEqual([
      true,
      false,
      false,
      false,
    ])
  })
})

describe('a season beside its year', () => {
  it.each([
    ['3', 'month 3'],
    ['03', 'month 3'],
    ['Mar', 'month 3'],
    ['M3', 'month 3'],
    ['Q2', 'quarter 2'],
    ['T2', 'quarter 2'],
    ['H1', 'half-year 1'],
    ['P11', 'fiscal 11'],
  ])('%s is %s', (text, expected) => {
    const read = readSeason(text)
    expect(read && `${read.kind} ${read.at}`).toBe(expected)
  })

  it('as a plain number is a quarter where the heading says so', () => {
    expect(readSeason('3', 'quarter')).toEqual({ kind: 'quarter', at: 3 })
    expect(readSeason('5', 'quarter')).toBeNull()
    expect(readSeason('13')).toBeNull()
  })
})

describe('names and numbers of periods', () => {
  it('a year of two digits is of this century below 70', () => {
    expect(['69', '70', '00', '99', '1799', '2200', '2021'].map(yearOf)).toEqual([
      2069,
      1970,
      2000,
      1999,
      null,
      null,
      2021,
    ])
  })

  it('months are known by three letters or more, in four languages', () => {
    expect(['ja', 'jan', 'janua', 'Dezember', 'avril', 'Ago.', 'maya'].map(monthByName)).toEqual([
      null,
      1,
      1,
      12,
      4,
      8,
      null,
    ])
  })

  it('the first ISO week holds the first Thursday', () => {
    const day = (year: number, week: number) => thursdayOf(year, week).toISOString().slice(0, 10)
    expect([day(2021, 1), day(2020, 53), day(2016, 1)]).toEqual([
      '2021-01-07',
      '2020-12-31',
      '2016-01-07',
    ])
  })
})
