import { describe, expect, it } from 'vitest'
import { readPeriod } from '../periods/periodText'
import { rowFrequency } from './commonCalendar'

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
