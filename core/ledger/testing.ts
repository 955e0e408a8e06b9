import { calendarOf } from '../calendar/calendar'
import { BENCHMARKS } from '../forecast/benchmarks'
import type { MethodDocument } from '../method'
import type { Series, Value } from '../series/series'

/** Four years of quarters. */
export const quarters: Value[] = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]

/** A quarterly series. */
export function series(values: readonly Value[], more: Partial<Series> = {}): Series {
  return {
    name: 'Contract work',
    unit: 'jobs',
    calendar: calendarOf('quarterly'),
    start: { cycle: 2020, season: 1 },
    values,
    ...more,
  }
}

const five: Series = series(
  [90, 120, 60, 80, 110, 95, 130, 66, 84, 118, 99, 137, 70, 90, 121, 104, 140],
  { calendar: calendarOf('seasons', { seasons: 5 }), start: { cycle: 12, season: 3 } },
)

const decompose = (
  more: MethodDocument['decompose'],
  forecast: MethodDocument['forecast'] = {},
): MethodDocument => ({ format: 'elvant-method/1', decompose: more, forecast })

/** Nine years of quarters, one of them far out. */
const WITH_EXTREME = Array.from(
  { length: 36 },
  (_, i) =>
    (60 + i) * [0.8, 1.2, 1.3, 0.7][i % 4]! * (1 + 0.02 * Math.sin(i * i)) * (i === 17 ? 0.7 : 1),
)

/** Sixteen cycles of three, and four of twelve, at once. */
const two: Series = series(
  Array.from(
    { length: 48 },
    (_, i) =>
      (80 + i) *
      [0.9, 1.2, 0.9][i % 3]! *
      (1 + 0.2 * Math.sin(i / 2)) *
      (1 + 0.02 * Math.sin(i * i)),
  ),
  { calendar: calendarOf('seasons', { seasons: 3 }), start: { cycle: 1, season: 2 } },
)

/** Weeks over a year of 53 of them, and on into another. */
const weeks: Series = series(
  Array.from(
    { length: 115 },
    (_, i) => (500 + i) * (1 + 0.3 * Math.sin(i / 8.3)) * (1 + 0.05 * Math.sin(i * i)),
  ),
  { calendar: calendarOf('weekly'), start: { cycle: 2024, season: 44 } },
)

/** Every way to calculate that this version has, on series with and without gaps. */
export const EVERY_WAY: readonly (readonly [
  name: string,
  series: Series,
  method: MethodDocument,
])[] = [
  ['the defaults', series(quarters), { format: 'elvant-method/1' }],
  ['additive', series(quarters), decompose({ model: 'additive' })],
  ['median, not adjusted', series(quarters), decompose({ average: 'median', adjust: false })],
  ['trimmed mean', series(quarters), decompose({ average: 'trimmed-mean' })],
  ['simple averages', series(quarters), decompose({ by: 'simple-averages' })],
  [
    'additive simple averages',
    series(quarters),
    decompose({ by: 'simple-averages', model: 'additive' }),
  ],
  [
    'indices given, adjusted',
    series(quarters),
    decompose({ indices: { given: [80, 120, 141, 61], source: 'the group' } }),
  ],
  ['ratio to trend', series(quarters), decompose({ by: 'ratio-to-trend' })],
  ['weeks', weeks, decompose({})],
  ['weeks by loess', weeks, decompose({ by: 'stl', robust: false })],
  ['two seasons', two, decompose({ by: 'two-seasons', seasons: [3, 12] })],
  [
    'two seasons, additive, the longer smoothed',
    two,
    decompose({ by: 'two-seasons', seasons: [3, 11], width: 2, model: 'additive' }),
  ],
  ['two seasons by loess', two, decompose({ by: 'two-seasons', seasons: [3, 11], each: 'loess' })],
  ['no season', series(quarters), decompose({ by: 'none' })],
  [
    'no season, an odd average, a missing quarter',
    series(quarters.with(6, null)),
    decompose({ by: 'none', model: 'additive', order: 5 }),
  ],
  ['robust loess', series(quarters), decompose({ by: 'stl', seasonalWindow: 7 })],
  [
    'loess, additive, not robust, with a missing quarter and a wide trend',
    series(quarters.with(6, null)),
    decompose({
      by: 'stl',
      model: 'additive',
      robust: false,
      trendWindow: 19,
      exclude: [{ period: '2022-Q1', reason: 'strike' }],
    }),
  ],
  [
    'a season that never changes',
    series([...quarters, 52, 80, 97, 48]),
    decompose({ by: 'stl', seasonalWindow: 'periodic' }),
  ],
  ['iterated averages', series(WITH_EXTREME), decompose({ by: 'iterated' })],
  [
    'iterated averages, carried on further than the forecast goes, yearly sums kept',
    series(WITH_EXTREME),
    decompose({ by: 'iterated', extend: true, yearlySums: true }, { horizon: 2 }),
  ],
  [
    'iterated averages, additive, filters given',
    series(WITH_EXTREME),
    decompose({
      ...{ by: 'iterated', model: 'additive', seasonalFilter: '3x3', trendFilter: 5 },
      extremes: [1, 2],
    }),
  ],
  [
    'iterated averages, the same season every year',
    series(quarters),
    decompose({ by: 'iterated' }),
  ],
  ...BENCHMARKS.map(
    (which) =>
      [
        `benchmark: ${which}`,
        series(quarters.with(6, null)),
        { format: 'elvant-method/1', forecast: { by: 'benchmark', which, horizon: 6 } },
      ] as const,
  ),
  ...(['multiplicative', 'additive'] as const).map(
    (model) =>
      [
        `limits from past errors, ${model}`,
        series([...quarters, ...quarters.map((value) => value! + 9)]),
        {
          format: 'elvant-method/1',
          decompose: { model },
          forecast: { limits: 'past-errors', levels: [50, 95], horizon: 20 },
        },
      ] as const,
  ),
  ...(
    [
      ['additive', 'multiplicative', 'additive'],
      ['damped', 'additive', 'additive'],
      ['multiplicative', 'none', 'proportional'],
      ['none', 'multiplicative', 'proportional'],
    ] as const
  ).map(
    ([trend, season, error]) =>
      [
        `smoothing: ${trend} trend, ${season} season, ${error} errors`,
        series(quarters.map((value, i) => (i === 6 ? null : value))),
        {
          format: 'elvant-method/1',
          forecast: { by: 'smoothing', trend, season, error, horizon: 6, initial: 'rule' },
        },
      ] as const,
  ),
  ...(
    [
      ['ln', 'additive', 'mean'],
      [0.4, 'additive', 'median'],
      ['chosen', 'multiplicative', 'mean'],
    ] as const
  ).map(
    ([transform, season, backTransform]) =>
      [
        `smoothing of values transformed by ${transform}, ${season} season, ${backTransform}`,
        series(quarters.map((value, i) => (i === 6 ? null : value))),
        {
          format: 'elvant-method/1',
          forecast: { by: 'smoothing', season, transform, backTransform, initial: 'rule' },
        },
      ] as const,
  ),
  ...(['chosen', 'none', 'damped'] as const).map(
    (smoothing) =>
      [
        `a smoothed trend, ${smoothing}`,
        series(quarters.map((value, i) => (i === 6 ? null : value))),
        {
          format: 'elvant-method/1',
          trend: { form: 'smoothed', smoothing, ...(smoothing === 'damped' ? { last: 12 } : {}) },
        },
      ] as const,
  ),
  [
    'a combination of three methods',
    series([...quarters, ...quarters.map((value) => value! + 9)].with(9, null)),
    {
      format: 'elvant-method/1',
      forecast: {
        by: 'combination',
        average: 'median',
        of: [{}, { forecast: { by: 'benchmark' } }, { forecast: { by: 'regression' } }],
      },
    },
  ],
  ['an odd number of seasons', five, { format: 'elvant-method/1' }],
  ['a missing quarter', series(quarters.with(6, null)), { format: 'elvant-method/1' }],
  [
    'a value left out and a trend through the last ten',
    series(quarters),
    {
      format: 'elvant-method/1',
      decompose: { exclude: [{ period: '2021-Q3', reason: 'strike' }] },
      trend: { last: 10 },
    },
  ],
  [
    'a span inside the series',
    series(quarters),
    { format: 'elvant-method/1', span: { from: '2020-Q3', to: '2023-Q2' } },
  ],
  [
    'a trend that bends and steps, in days',
    series(quarters),
    {
      format: 'elvant-method/1',
      trend: {
        form: 'breaks',
        time: 'days',
        breaks: [{ period: '2021-Q2' }, { period: '2022-Q3', level: true }],
      },
    },
  ],
  ['no trend', series(quarters), { format: 'elvant-method/1', trend: { form: 'none' } }],
  [
    'a cubic trend, additive',
    series(quarters),
    { format: 'elvant-method/1', decompose: { model: 'additive' }, trend: { form: 'cubic' } },
  ],
  ...(['median', 'mean', 'smearing'] as const).map(
    (backTransform): [string, Series, MethodDocument] => [
      `an exponential trend by its ${backTransform}`,
      series(quarters),
      {
        format: 'elvant-method/1',
        trend: { form: 'exponential', last: 12 },
        forecast: { backTransform },
      },
    ],
  ),
  [
    'a regression with effects, smearing and an event',
    series(quarters.with(6, null)),
    {
      format: 'elvant-method/1',
      forecast: {
        by: 'regression',
        backTransform: 'smearing',
        indicators: [{ name: 'strike', from: '2021-Q1' }],
        steps: [{ name: 'shop', from: '2022-Q2' }],
      },
    },
  ],
  [
    'an additive regression with slopes by season on the last twelve',
    series(quarters),
    {
      format: 'elvant-method/1',
      trend: { last: 12 },
      forecast: { by: 'regression', model: 'additive', season: 'dummies-by-trend', base: 2 },
    },
  ],
  [
    'a regression with waves and a quadratic trend, by its mean',
    series(quarters),
    {
      format: 'elvant-method/1',
      trend: { form: 'quadratic' },
      forecast: { by: 'regression', season: 'fourier', pairs: 2, backTransform: 'mean' },
    },
  ],
  [
    'a regression without a season, of days',
    series(quarters),
    {
      format: 'elvant-method/1',
      trend: { time: 'days' },
      forecast: { by: 'regression', season: 'none', model: 'additive' },
    },
  ],
  [
    'no limits for want of degrees of freedom',
    series(quarters),
    { format: 'elvant-method/1', trend: { last: 5 } },
  ],
]
