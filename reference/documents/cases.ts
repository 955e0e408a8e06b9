import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { Adjustment } from '../../core/series/series'
import type { MethodDocument } from '../../core/method'
import type { Series } from '../../core/series/series'
import { readFile } from '../../intake/readFile'

/** A series of the demo under a method, whose result is kept as a file. */
export interface DocumentCase {
  readonly name: string
  readonly file: string
  readonly series: number
  readonly adjustments: readonly Adjustment[]
  readonly method: MethodDocument
}

const FILES = [
  'exterior-paint',
  'interior-paint',
  'wood-stain',
  'primer',
  'brushes-and-rollers',
  'contract-work',
  'trade-counter-takings',
  'exterior-paint-by-region',
] as const
type File = (typeof FILES)[number]

const FORMAT = { format: 'elvant-method/1' } as const
const WAYS = ['ratio-to-moving-average', 'simple-averages', 'ratio-to-trend', 'stl'] as const
const MODELS = ['multiplicative', 'additive'] as const
const FLOOD = [
  { period: '2019-06', reason: 'flood' },
  { period: '2019-07', reason: 'flood' },
]

function one(
  file: File,
  name: string,
  method: Omit<MethodDocument, 'format'>,
  adjustments: readonly Adjustment[] = [],
): DocumentCase {
  const series = file === 'exterior-paint-by-region' ? 1 : 0
  return { name, file, series, adjustments, method: { ...FORMAT, ...method } }
}

/** Every demo series under every way and model, and every other choice at least once. */
export const DOCUMENT_CASES: readonly DocumentCase[] = [
  ...FILES.flatMap((file) =>
    WAYS.flatMap((by) =>
      MODELS.map((model) => one(file, `${by}, ${model}`, { decompose: { by, model } })),
    ),
  ),
  one('exterior-paint', 'nothing said', {}),
  one('exterior-paint', 'median, two left out', {
    decompose: { average: 'median', exclude: FLOOD },
  }),
  one('exterior-paint', 'trimmed mean, not adjusted, five years', {
    span: { from: '2018-04', to: '2023-09' },
    decompose: { average: 'trimmed-mean', adjust: false },
    trend: { last: 36 },
    forecast: { horizon: 5, levels: [50, 99] },
  }),
  one('exterior-paint', 'one replaced, one taken out', { decompose: { by: 'ratio-to-trend' } }, [
    { period: '2019-06', value: 30_000, reason: 'flood' },
    { period: '2019-07', value: null, reason: 'flood' },
  ]),
  one('wood-stain', 'loess of seven years, two left out', {
    decompose: { by: 'stl', seasonalWindow: 7, exclude: FLOOD },
  }),
  one('exterior-paint', 'iterated averages', { decompose: { by: 'iterated' } }),
  one('exterior-paint', 'iterated averages, carried on, yearly sums kept', {
    decompose: { by: 'iterated', extend: 'arima', yearlySums: true },
    forecast: { horizon: 6 },
  }),
  one('wood-stain', 'iterated averages, additive, filters given', {
    decompose: {
      ...{ by: 'iterated', model: 'additive', seasonalFilter: '3x5', trendFilter: 13 },
      extremes: [1.5, 3],
    },
  }),
  one('wood-stain', 'loess, every option', {
    span: { from: '2017-01', to: '2024-05' },
    decompose: {
      ...{ by: 'stl', model: 'multiplicative', seasonalWindow: 9, trendWindow: 25 },
      ...{ lowPassWindow: 15, seasonalDegree: 0, trendDegree: 0, lowPassDegree: 1 },
      ...{ robust: false, inner: 3, outer: 2 },
    },
  }),
  one('interior-paint', 'loess, the same season every year', {
    decompose: { by: 'stl', seasonalWindow: 'periodic', robust: false },
    forecast: { levels: [] },
  }),
  one('primer', 'two years and a quarter', {
    span: { from: '2020-01', to: '2022-03' },
    decompose: { average: 'trimmed-mean' },
  }),
  ...(['interpolate', 'seasonal', 'zero'] as const).map((missing) =>
    one('brushes-and-rollers', `gaps: ${missing}`, { missing }),
  ),
  one('brushes-and-rollers', 'gaps: seasonal, loess', {
    missing: 'seasonal',
    decompose: { by: 'stl' },
  }),
  one('contract-work', 'last two years of it', { trend: { last: 8 }, forecast: { horizon: 9 } }),
  one('contract-work', 'two years alone', { span: { from: '2021-Q1', to: '2022-Q4' } }),
  one('contract-work', 'the deseasonalized series smoothed', {
    trend: { form: 'smoothed', smoothing: 'chosen' },
  }),
  one('primer', 'ARIMA by hand on logarithms, as the mean', {
    forecast: {
      ...{ by: 'arima', orders: [0, 1, 1], seasonalOrders: [0, 1, 1] },
      ...{ transform: 'ln', backTransform: 'mean' },
    },
  }),
  one('contract-work', 'ARIMA chosen step by step', { forecast: { by: 'arima' } }),
  one('contract-work', 'the deseasonalized series by ARIMA', {
    trend: { form: 'arima', orders: [0, 1, 1] },
  }),
  one('exterior-paint', 'ARIMA with an event, and calendar effects with its errors', {
    calendar: {
      ...{ errors: 'arima', tradingDay: 'one', easter: 14 },
      ...{ orders: [1, 0, 0], seasonalOrders: [0, 1, 1] },
    },
    forecast: {
      ...{ by: 'arima', orders: [1, 0, 0], seasonalOrders: [0, 1, 1], transform: 'ln' },
      indicators: [{ name: 'flood', from: '2019-06', to: '2019-07' }],
    },
  }),
  one('primer', 'smoothing at given weights on logarithms, as the mean', {
    forecast: {
      ...{
        by: 'smoothing',
        season: 'additive',
        weights: { alpha: 0.3, beta: 0.1, gamma: 0.2, phi: 0.9 },
      },
      ...{ initial: 'rule', transform: 'ln', backTransform: 'mean' },
    },
  }),
  one('contract-work', 'the median of three methods', {
    forecast: {
      by: 'combination',
      average: 'median',
      of: [
        { trend: { last: 8 } },
        { forecast: { by: 'benchmark' } },
        { forecast: { by: 'regression' } },
      ],
    },
  }),
  // What the rooms of trends, preparations and regressors hold, each at least once.
  ...FILES.map((file) =>
    one(file, 'smoothed trend, chosen', { trend: { form: 'smoothed', smoothing: 'chosen' } }),
  ),
  ...(['none', 'quadratic', 'cubic', 'exponential'] as const).map((form) =>
    one('interior-paint', `trend: ${form}`, { trend: { form } }),
  ),
  ...(['none', 'additive', 'damped'] as const).map((smoothing) =>
    one('wood-stain', `smoothed trend, ${smoothing}, the last five years`, {
      trend: { form: 'smoothed', smoothing, last: 60 },
    }),
  ),
  one('interior-paint', 'a line with a bend and a step, in days', {
    trend: {
      form: 'breaks',
      time: 'days',
      breaks: [{ period: '2018-05' }, { period: '2021-09', level: true }],
    },
  }),
  one('interior-paint', 'exponential in the last six years, as the mean', {
    trend: { form: 'exponential', last: 72 },
    forecast: { backTransform: 'mean' },
  }),
  one('exterior-paint', 'without trading days and Easter, the flood left out', {
    calendar: { tradingDay: 'six', easter: 14 },
    decompose: { exclude: FLOOD },
  }),
  one('primer', 'without what of the calendar helps, additive', {
    calendar: {
      ...{ tradingDay: 'one', length: 'leap-year', easter: 8 },
      ifItHelps: ['tradingDay', 'length', 'easter'],
    },
    decompose: { model: 'additive' },
  }),
  one('exterior-paint', 'regression with events, a step and pairs', {
    forecast: {
      ...{ by: 'regression', season: 'fourier', pairs: 3, model: 'multiplicative' },
      indicators: [{ name: 'flood', from: '2019-06', to: '2019-07', again: [{ from: '2026-03' }] }],
      steps: [{ name: 'second depot', from: '2021-04' }],
    },
  }),
  one('wood-stain', 'regression with a season each, on breaks', {
    trend: { form: 'breaks', breaks: [{ period: '2020-01' }] },
    forecast: { by: 'regression', limits: 'past-errors' },
  }),
  ...(['ln', 'square-root', 0.3] as const).map((transform) =>
    one('primer', `smoothing on the scale ${transform}`, {
      forecast: { by: 'smoothing', trend: 'damped', season: 'additive', transform },
    }),
  ),
  one('trade-counter-takings', 'every form of smoothing to choose from', {
    forecast: { by: 'smoothing', trend: 'chosen', season: 'chosen', error: 'chosen' },
  }),
  one('interior-paint', 'the usual combination', { forecast: { by: 'combination' } }),
  one('trade-counter-takings', 'no season', { decompose: { by: 'none' } }),
  one('contract-work', 'checked, a year hidden', { check: { holdout: 4 } }),
  one('contract-work', 'checked at rolling origins, smoothed', {
    trend: { form: 'smoothed' },
    check: { rolling: { first: 12 } },
  }),
  one('contract-work', 'too short', { span: { from: '2021-Q2', to: '2022-Q3' } }),
]

/** The series and the method that the kept contest was held from. */
export const CONTEST = one('contract-work', 'contest', { forecast: { horizon: 4 } })

/** The series of a case, with its adjustments. */
export function seriesOfCase({ file, series, adjustments }: DocumentCase): Series {
  const path = fileURLToPath(new URL(`../../demo/files/${file}.csv`, import.meta.url))
  const reading = readFile(readFileSync(path), { duplicates: 'first' })
  if (reading.outcome !== 'ok') throw new Error(`${file} cannot be read.`)
  return { ...reading.series[series]!.series, adjustments }
}
