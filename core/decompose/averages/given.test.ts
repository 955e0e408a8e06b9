import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calendarOf } from '../../calendar/calendar'
import { changed, type MethodDocument } from '../../method'
import { Refusal } from '../../refusal'
import { methodSentence } from '../../sentence/sentence'
import { piecesText } from '../../word'
import type { Series, Value } from '../../series/series'
import { AVERAGES_WAYS } from './options'

const QUARTERS = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const GIVEN = { given: [0.8, 1.2, 1.4, 0.6], source: 'the group, 2025' }

function series(values: readonly Value[]): Series {
  return {
    ...{ name: 'jobs', unit: 'jobs', calendar: calendarOf('quarterly'), values },
    start: { cycle: 2020, season: 1 },
  }
}

function method(decompose: MethodDocument['decompose']): MethodDocument {
  return { format: 'elvant-method/1', decompose, forecast: { horizon: 4 } }
}

function refusal(decompose: MethodDocument['decompose'], values: readonly Value[] = QUARTERS) {
  try {
    analyse(series(values), method(decompose))
  } catch (error) {
    if (error instanceof Refusal) return error.where
    throw error
  }
  return null
}

describe('indices that are given', () => {
  it('take the place of averages: the season is theirs, the rest follows', () => {
    const result = analyse(series(QUARTERS), method({ indices: GIVEN }))
    expect(result.seasons.map(({ index }) => index)).toEqual([0.8, 1.2, 1.4, 0.6])
    expect(result.columns.deseasonalized.slice(0, 4)).toEqual([42 / 0.8, 68 / 1.2, 75 / 1.4, 65])
    const { forecast, deseasonalized } = result.forecast as unknown as Record<string, number[]>
    forecast!.forEach((value, i) =>
      expect(value).toBeCloseTo(deseasonalized![i]! * GIVEN.given[i]!, 12),
    )
  })

  it('are brought to average 1, or to sum to 0, unless told not to', () => {
    const indices = (decompose: MethodDocument['decompose']) =>
      analyse(series(QUARTERS), method(decompose)).seasons.map(({ index }) => index)
    const perCent = { ...GIVEN, given: [80, 120, 140, 60] }
    expect(indices({ indices: perCent })).toEqual([0.8, 1.2, 1.4, 0.6])
    const amounts = { ...GIVEN, given: [-10, 10, 22, -18] }
    expect(indices({ model: 'additive', indices: amounts })).toEqual([-11, 9, 21, -19])
    expect(indices({ model: 'additive', adjust: false, indices: amounts })).toEqual(amounts.given)
  })

  it('that are those of the series give its own figures, with limits that know nothing of theirs', () => {
    for (const by of AVERAGES_WAYS) {
      const own = analyse(series(QUARTERS), method({ by }))
      const given = own.seasons.map(({ index }) => index)
      const same = analyse(
        series(QUARTERS),
        method({ by, adjust: false, indices: { given, source: 'itself' } }),
      )
      expect(same.columns).toEqual(own.columns)
      expect(same.forecast.forecast).toEqual(own.forecast.forecast)
      const upper = ({ forecast }: typeof own) => forecast.limits['95']!.upper[0]!
      expect(upper(same)).toBeLessThan(upper(own))
    }
  })

  it('have no standard error and no count, and say where they come from', () => {
    const result = analyse(series(QUARTERS), method({ indices: GIVEN }))
    for (const row of result.seasons) {
      expect(row).toMatchObject({ count: null, standardError: null, withoutFirst: null })
    }
    const said = result.findings.find(({ code }) => code === 'indices-given')!
    expect(said.text).toContain('(the group, 2025)')
    expect(result.findings.map(({ code }) => code)).not.toContain('index-unreliable')
    const sentence = piecesText(methodSentence(result.method, series(QUARTERS)))
    expect(sentence).toContain('; indices given (the group, 2025), adjusted to average 1')
  })

  it('make a forecast of a series too short to have indices of its own', () => {
    expect(refusal({}, QUARTERS.slice(0, 6))).toBe('series')
    const result = analyse(series(QUARTERS.slice(0, 6)), method({ indices: GIVEN }))
    expect(result.forecast.forecast.every((value) => value !== null)).toBe(true)
  })
})

describe('refused are', () => {
  it.each([
    ['too few', { indices: { ...GIVEN, given: [1, 1, 1] } }, 'decompose.indices.given'],
    ['a factor of 0', { indices: { ...GIVEN, given: [1, 0, 2, 1] } }, 'decompose.indices.given.1'],
    ['an average', { indices: GIVEN, average: 'median' }, 'decompose.average'],
    [
      'a value left out',
      { indices: GIVEN, exclude: [{ period: '2020-Q2', reason: 'strike' }] },
      'decompose.exclude',
    ],
    ['another way', { by: 'stl', indices: GIVEN }, 'decompose.indices'],
  ] as const)('%s', (_, decompose, where) => {
    expect(refusal(decompose as MethodDocument['decompose'])).toBe(where)
  })
})

it('another model leaves them behind: a factor is no amount', () => {
  const factors = method({ model: 'multiplicative', indices: GIVEN })
  expect(changed(factors, { decompose: { model: 'additive' } }).decompose).toEqual({
    model: 'additive',
  })
  const again = { decompose: { model: 'multiplicative', indices: GIVEN } }
  expect(changed(factors, again).decompose).toEqual(again.decompose)
})
