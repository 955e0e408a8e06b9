import { describe, expect, it } from 'vitest'
import { analyse } from './analyse'
import { calendarOf } from './calendar/calendar'
import { lookAt } from './look'
import { changed, type MethodDocument } from './method'
import { remediesFor } from './remedies'
import type { Series, Value } from './series/series'

const FORMAT = { format: 'elvant-method/1' } as const
const quarters = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]

function series(values: readonly Value[]): Series {
  return {
    name: 'Jobs',
    unit: 'jobs',
    calendar: calendarOf('quarterly'),
    start: { cycle: 2020, season: 1 },
    values,
  }
}

const REFUSED: readonly (readonly [string, readonly Value[], MethodDocument, string])[] = [
  [
    'zeros under the multiplicative model',
    quarters.with(3, 0),
    { ...FORMAT, decompose: { model: 'multiplicative' } },
    'Take the additive model',
  ],
  ['too short for a season', quarters.slice(0, 6), FORMAT, 'Do without a season'],
  [
    'a season with nothing but gaps',
    quarters.map((value, i) => (i % 4 === 2 ? null : value)),
    FORMAT,
    'Fill the gaps by interpolation',
  ],
  [
    'a trend through too few periods',
    quarters,
    { ...FORMAT, trend: { last: 2 } },
    'Fit the trend to all periods',
  ],
  [
    'a span outside the series',
    quarters,
    { ...FORMAT, span: { from: '2010-Q1', to: '2012-Q4' } },
    'Take the whole series',
  ],
]

describe.each(REFUSED)('%s', (_, values, document, helps) => {
  it('is refused, and what is offered helps', () => {
    expect(() => analyse(series(values), document)).toThrow()
    const remedies = remediesFor(series(values), document)
    expect(remedies.map(({ label }) => label)).toContain(helps)
    for (const { change } of remedies) analyse(series(values), changed(document, change))
  })

  it('leaves the values to be looked at, with what they say', () => {
    const { columns, findings, series: facts } = lookAt(series(values), document)
    expect(columns.value).toEqual(values)
    expect(facts.periods).toBe(values.length)
    for (const { stage } of findings) expect(stage).toBe('look')
  })
})

it('nothing is offered for values that nothing can be done with', () => {
  expect(remediesFor(series([1, 2]), FORMAT)).toEqual([])
})

describe('changing a method', () => {
  it('takes a default again for what is undefined, and leaves the rest alone', () => {
    const method: MethodDocument = { ...FORMAT, trend: { last: 8 }, forecast: { horizon: 3 } }
    expect(changed(method, { trend: { last: undefined } })).toEqual({
      ...FORMAT,
      trend: {},
      forecast: { horizon: 3 },
    })
    expect(changed(method, { forecast: undefined })).toMatchObject({ trend: { last: 8 } })
  })
})

it('a forecast that cannot be bent as it is assumed is offered unbent', () => {
  const monthly: Series = {
    ...{ name: 'Glaze', unit: 'litres', start: { cycle: 2020, season: 1 } },
    calendar: calendarOf('monthly'),
    values: Array.from({ length: 48 }, (_, i) => 100 + 10 * (i % 12) + i),
  }
  const assumptions = [{ kind: 'growth', from: '2024-02', percentPerYear: 3, reason: 'new shops' }]
  const document = {
    format: 'elvant-method/1',
    forecast: { by: 'benchmark', assumptions },
  } as MethodDocument
  expect(() => analyse(monthly, document)).toThrow('no level apart from its season')
  const labels = remediesFor(monthly, document).map(({ label }) => label)
  expect(labels.slice(0, 2)).toEqual(['Leave the forecast unbent', 'Forecast by decomposition'])
})
