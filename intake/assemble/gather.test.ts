import { describe, expect, it } from 'vitest'
import { rowFrequency } from './commonCalendar'
import { gather, GATHERINGS } from './gather'
import { readPeriod } from '../periods/periodText'

describe('several values of one period', () => {
  it('become one in each way', () => {
    const values = [4, null, 1, 7]
    expect(GATHERINGS.map((how) => [how, gather(values, how)])).toEqual([
      ['sum', 12],
      ['mean', 4],
      ['median', 4],
      ['first', 4],
      ['last', 7],
      ['count', 3],
      ['min', 1],
      ['max', 7],
    ])
  })

  it('that are all missing stay missing, even counted or summed', () => {
    expect(GATHERINGS.map((how) => gather([null, null], how))).toEqual(GATHERINGS.map(() => null))
  })

  it('are summed to the cent', () => {
    expect(gather(Array<number>(1000).fill(0.1), 'sum')).toBe(100)
    expect(gather([1e16, 1, -1e16], 'sum')).toBe(1)
  })
})

describe('how often rows come', () => {
  const frequency = (...texts: string[]) =>
    rowFrequency(texts.map((text) => readPeriod(text, 'day-first')!))
  it.each([
    [['2021-01', '2021-02', '2021-05'], 'monthly'],
    [['2021-03-31', '2021-06-30', '2021-12-31'], 'quarterly'],
    [['2019-12', '2020-12'], 'yearly'],
    [['2021-01', '2021-07'], 'half-yearly'],
    [['2021-01-04', '2021-01-11', '2021-01-25'], 'weekly'],
    [['2021-01-04', '2021-01-05', '2021-01-11'], 'daily'],
    [['2021-W01', '2021-W02'], 'weekly'],
    [['2021-01', '2021-02-28'], 'monthly'],
    [['2021-01', '2021 Q2'], null],
  ])('%j is %s', (texts, expected) => {
    expect(frequency(...texts)).toBe(expected)
  })
})
