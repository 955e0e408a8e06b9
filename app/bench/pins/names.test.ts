import { describe, expect, it } from 'vitest'
import { displayScale } from '~~/core/words/displayScale'
import { analyse } from '~~/core/analyse'
import { calendarOf } from '~~/core/calendar/calendar'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import { haveSameIndices } from './comparison'
import { comparedAmount, comparedFigures, readsTheSame } from '../compare/figures'
import { namesOf } from './names'
import { comparedPictures } from '../compare/pictures'

const quarters = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const series: Series = {
  name: 'Contract work',
  unit: 'jobs',
  calendar: calendarOf('quarterly'),
  start: { cycle: 2020, season: 1 },
  values: quarters,
}
const run = (method: Omit<MethodDocument, 'format'>, own = series) =>
  analyse(own, { format: 'elvant-method/1', ...method })

const additive = run({ decompose: { model: 'additive' } })
const multiplicative = run({ decompose: { model: 'multiplicative' } })
const damped = run({
  decompose: { model: 'multiplicative' },
  trend: { form: 'smoothed', smoothing: 'damped' },
})
const repeated = run({ forecast: { by: 'benchmark', which: 'lastYear' } })
const smoothing = (form: object) => run({ forecast: { by: 'smoothing', ...form } as never })

describe('names of compared methods', () => {
  it('are the model where that alone differs', () => {
    expect(namesOf([additive, multiplicative])).toEqual(['additive', 'multiplicative'])
    expect(namesOf([multiplicative])).toEqual(['multiplicative'])
  })

  it('are how they forecast where they decompose alike', () => {
    const names = namesOf([multiplicative, damped, repeated])
    expect(names[0]).toBe('a straight line')
    expect(names[1]).toMatch(/smoothed/)
    expect(names[2]).toMatch(/repeating/)
    expect(names.join()).not.toContain('multiplicative')
  })

  it('say both where both differ, and more where that does not tell them apart', () => {
    expect(namesOf([additive, damped])).toEqual([
      'additive; a straight line',
      expect.stringMatching(/^multiplicative; .*smoothed/),
    ])
    const without = run({
      decompose: { model: 'multiplicative', exclude: [{ period: '2021-Q3', reason: 'strike' }] },
    })
    expect(namesOf([multiplicative, without])).toEqual(['left out: nothing', 'left out: 2021 Q3'])
    const cared = run(
      { decompose: { model: 'multiplicative' } },
      {
        ...series,
        adjustments: [{ period: '2021-Q3', value: 80, reason: 'typing error' }],
      },
    )
    expect(namesOf([multiplicative, cared])).toEqual(['as they came', '1 replaced'])
  })

  it('say how many methods are combined, and which where that tells them apart', () => {
    const combined = (of: object[]) =>
      run({ decompose: { model: 'multiplicative' }, forecast: { by: 'combination', of } as never })
    const [line, last, year] = [
      { forecast: {} },
      { forecast: { by: 'benchmark', which: 'lastValue' } },
      { forecast: { by: 'benchmark', which: 'lastYear' } },
    ]
    const one = combined([line, last])
    expect(namesOf([multiplicative, one])).toEqual(['a straight line', 'the mean of 2 methods'])
    const both = namesOf([one, combined([line, year])])
    expect(both[0]).toMatch(/^\(1\) .*; \(2\) Repeating the last value$/)
    expect(both[1]).toMatch(/^\(1\) .*; \(2\) Repeating last year$/)
  })

  it('tell smoothings apart by the one word that differs', () => {
    const names = namesOf([smoothing({}), smoothing({ weights: { alpha: 0.3 } })])
    expect(names.map((name) => name.split('; ').at(-1))).toEqual(['weights chosen', 'α 0.3'])
  })
})

describe('what is the same in all is folded', () => {
  it('pictures, figures and indices of one decomposition with two forecasts', () => {
    const both = [multiplicative, damped]
    const drawn = Object.fromEntries(comparedPictures(both).map((one) => [one.title, one.isSame]))
    expect(drawn['What is left over']).toBe(true)
    expect(drawn['Forecast and limits']).toBe(false)
    const figures = comparedFigures(displayScale(quarters, 'jobs'), both)
    const same = figures.filter((line) => readsTheSame(line, both)).map(({ name }) => name)
    expect(same).toContain('strength of season')
    expect(same).not.toContain('forecast, all periods together')
    expect(haveSameIndices(both)).toBe(true)
    expect(haveSameIndices([additive, multiplicative])).toBe(false)
  })

  it('nothing is the same of one method alone', () => {
    expect(comparedPictures([additive]).some(({ isSame }) => isSame)).toBe(false)
  })
})

describe('what a way of forecasting has of its own', () => {
  it('a smoothing draws its level, a combination its methods, a regression says its events', () => {
    const titles = comparedPictures([multiplicative, smoothing({})]).map(({ title }) => title)
    expect(titles).toContain('Level that is followed')
    const level = comparedPictures([multiplicative, smoothing({})]).find(
      ({ title }) => title === 'Level that is followed',
    )!
    expect(level.lines.map((own) => own.length)).toEqual([0, 1])

    const combined = run({ forecast: { by: 'combination' } })
    const ahead = comparedPictures([combined]).find(({ title }) => title === 'Forecast and limits')!
    expect(ahead.lines[0]!.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['member1', 'member2']),
    )

    const flood = { name: 'flood', from: '2021-Q3' }
    const regression = run({ forecast: { by: 'regression', indicators: [flood] } })
    const row = comparedFigures(displayScale(quarters, 'jobs'), [regression, additive]).find(
      ({ name }) => name === 'effect of flood',
    )!
    expect(row.text(regression)).toMatch(/^[+−][\d.]+%?$/)
    expect(row.text(additive)).toBe('–')
  })
})

describe('compared amounts', () => {
  it('have three digits at the least, and those of the series', () => {
    const thousands = displayScale([48210], 'litres')
    expect(comparedAmount(431.2, thousands)).toBe('0.431')
    expect(comparedAmount(48210, thousands)).toBe('48.2')
    expect(comparedAmount(123456, thousands)).toBe('123.5')
    expect(comparedAmount(0, thousands)).toBe('0.0')
  })
})
