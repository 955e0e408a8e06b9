import { describe, expect, it } from 'vitest'
import reference from '../../reference/regression.json'
import { disagreements, type Tolerance } from '../../reference/agreement'
import { periodAt, type Period } from '../calendar/period'
import { TREND_FORMS } from '../trend/forms'
import { fitTrend } from '../trend/fit'
import { figuresOf } from '../trend/report'
import type { DesignColumn } from './design'
import { breakColumns, indicator, step } from './events'
import { seasonColumns, type SeasonForm } from './seasonForms'

interface Case {
  readonly id: string
  readonly tol?: Tolerance
  readonly input: {
    readonly m: number
    readonly start: Period
    readonly y: readonly (number | null)[]
    readonly model: {
      readonly response: 'level' | 'log'
      readonly trend: {
        readonly form: keyof typeof TREND_FORMS | 'none' | 'breaks'
        readonly breaks?: readonly { readonly t: number; readonly level?: boolean }[]
      }
      readonly season: SeasonForm
      readonly indicators?: readonly { readonly name: string; readonly t: number }[]
      readonly steps?: readonly { readonly name: string; readonly t: number }[]
    }
  }
  readonly expect: {
    readonly columns: readonly string[]
    readonly s: number
    readonly coefficients: readonly { name: string; estimate: number; se: number; p: number }[]
  }
}

/** Cases whose design is made of trend, season and events alone. */
const CASES = (reference.cases as unknown as readonly Case[]).filter(({ id }) =>
  [
    'reg-linear-dummies',
    'reg-fourier-2',
    'reg-fourier-full',
    'reg-dummies-by-trend',
    'reg-breaks-events-missing',
    'reg-effects-quarterly',
    'reg-log-effects',
  ].includes(id),
)

function designOf({ m, start, model }: Case['input']): DesignColumn[] {
  const { trend, season, indicators = [], steps = [] } = model
  const line = trend.form === 'none' ? [] : TREND_FORMS.linear.columns
  return [
    ...line,
    ...(trend.breaks ?? []).flatMap(({ t, level = false }) => breakColumns(t, level)),
    ...seasonColumns(season, { seasons: m, seasonOf: (t) => periodAt(start, t, m).season }),
    ...indicators.map(({ name, t }) => indicator(name, t)),
    ...steps.map(({ name, t }) => step(name, t)),
  ]
}

describe('designs put together from the tables', () => {
  it.each(CASES.map((one) => [one.id, one] as const))('%s', (_, { input, expect: want }) => {
    const y = input.model.response === 'log' ? input.y.map((v) => v && Math.log(v)) : input.y
    const { terms, s } = figuresOf(fitTrend(y, 1, designOf(input)))
    const got = terms.map(({ name, estimate, standardError, p }) => ({
      ...{ name, estimate, se: standardError, p },
    }))
    // With effect coding the seasons stand elsewhere in the reference.
    const named = want.coefficients.map(({ name, estimate, se, p }) => ({
      ...{ name: name.replace(' x ', ' × '), estimate, se, p },
    }))
    const same = got.filter(({ name }) => named.some((one) => one.name === name))
    expect(disagreements(same, named, { abs: 1e-12, rel: 1e-8 })).toEqual([])
    expect(s / want.s).toBeCloseTo(1, 10)
  })
})

describe('the columns by hand', () => {
  const quarters = { seasons: 4, seasonOf: (t: number) => ((t - 1) % 4) + 1 }
  const rows = (columns: readonly DesignColumn[], ...periods: number[]) =>
    periods.map((t) => columns.map(({ at }) => Math.round(at(t) * 1e9) / 1e9 + 0))

  it('effects sum to 0 over a year', () => {
    const columns = seasonColumns({ form: 'effects' }, quarters)
    expect(rows(columns, 1, 2, 3, 4)).toEqual([
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
      [-1, -1, -1],
    ])
  })

  it('the shortest wave of an even year has no sine', () => {
    const columns = seasonColumns({ form: 'fourier', pairs: 2 }, quarters)
    expect(columns.map(({ name }) => name)).toEqual(['sin 1', 'cos 1', 'cos 2'])
    expect(rows(columns, 1, 2)).toEqual([
      [1, 0, -1],
      [0, -1, 1],
    ])
  })

  it('an event lasts as long as it is said to', () => {
    expect(
      rows([indicator('flood', 3, 4), step('shop', 4), ...breakColumns(3, true)], 2, 3, 5),
    ).toEqual([
      [0, 0, 0, 0],
      [1, 0, 0, 1],
      [0, 1, 2, 1],
    ])
  })
})
