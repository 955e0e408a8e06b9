import { declare, type Column } from '../../column/column'
import { figureOf, operation, plain, type Expression } from '../../column/expression'
import type { Run } from '../../column/run'
import { fittedColumns, limitColumns, withoutSeasonColumn } from '../columns'
import type { ForecastParts } from '../way'
import type { SmoothingForecast } from './calculate'
import type { SmoothingOptions } from './options'

type Parts = ForecastParts<SmoothingOptions, SmoothingForecast>

/** States over time, one-step forecasts and their errors, the forecast and its limits. */
export function columnsOfSmoothing(run: Run, { options, ahead }: Parts): Column[] {
  const { form, states } = ahead
  const states0 = stateCells(run, ahead)
  const { levelBefore, slopeBefore, seasonBefore, base, u } = states0
  const adds = form.season === 'additive'
  const weight = (name: 'alpha' | 'beta' | 'gamma') =>
    figureOf(GREEK[name], ahead.weights[name] ?? 0)
  const rest = (name: 'alpha' | 'beta' | 'gamma') =>
    figureOf(`(1 − ${GREEK[name]})`, 1 - (ahead.weights[name] ?? 0))
  const blend = (name: 'alpha' | 'beta' | 'gamma', fresh: Expression, old: Expression) =>
    operation(operation(weight(name), '×', fresh), '+', operation(rest(name), '×', old))
  const isMissing = (t: number) => run.columns.value[t - run.firstT] === null
  const value = (t: number) => run.cell('value', t)
  const own = (t: number) =>
    form.season === 'none' ? value(t) : operation(value(t), adds ? '−' : '÷', seasonBefore(t))
  const pointOf = (level: Expression, season: Expression | null) =>
    season ? operation(level, adds ? '+' : '×', season) : level
  const n = run.lastT
  return [
    declare(run.unit, {
      name: 'smoothedLevel',
      label: 'Level, smoothed',
      symbol: 'level',
      means: form.season === 'none' ? 'latest mean' : 'seasonally adjusted mean',
      measure: 'level',
      component: 'trendCycle',
      mark: 'line-thick',
      stages: ['deseasonalize', 'trend'],
      actual: states.level,
      arithmetic: (t) => (isMissing(t) ? u(t) : blend('alpha', own(t), u(t))),
    }),
    ...(states.trend
      ? [
          declare(run.unit, {
            name: 'slope',
            label: 'Slope, smoothed',
            symbol: 'slope',
            means: form.trend === 'multiplicative' ? `factor a ${run.per}` : `change a ${run.per}`,
            measure: form.trend === 'multiplicative' ? 'factor' : 'difference',
            component: 'deseasonalized',
            mark: 'line-thin',
            stages: ['trend'],
            actual: states.trend,
            arithmetic: (t) => {
              const before = form.trend === 'multiplicative' ? slopeBefore(t) : base(t)
              if (isMissing(t)) return before
              const sign = form.trend === 'multiplicative' ? '÷' : '−'
              return blend(
                'beta',
                operation(run.cell('smoothedLevel', t), sign, levelBefore(t)),
                before,
              )
            },
          }),
        ]
      : []),
    ...(states.season
      ? [
          declare(run.unit, {
            name: 'seasonState',
            label: 'Season, smoothed',
            symbol: 'season',
            means: 'as it changes',
            measure: adds ? 'difference' : 'factor',
            component: 'season',
            mark: 'bars',
            stages: ['trend', 'project'],
            actual: states.season,
            ahead: ahead.t.map((_, i) => ahead.end.season![i % ahead.end.season!.length]!),
            arithmetic: (t) => {
              if (t > n || isMissing(t)) return seasonBefore(t)
              const departs = operation(value(t), adds ? '−' : '÷', run.cell('smoothedLevel', t))
              return blend('gamma', departs, seasonBefore(t))
            },
          }),
        ]
      : []),
    ...fittedColumns(run, {
      of: ', smoothing',
      means: 'one step ahead',
      stages: ['trend', 'check'],
      arithmetic: (t) => pointOf(u(t), form.season === 'none' ? null : seasonBefore(t)),
      whyUndefined: () => 'This period has no value to compare with.',
    }),
    ...(form.season === 'none'
      ? []
      : [
          withoutSeasonColumn(run, ahead, {
            label: 'Forecast, no season',
            symbol: 'forecast without season',
            arithmetic: (t) => reached(t),
          }),
        ]),
    declare(run.unit, {
      name: 'forecast',
      label: 'Forecast',
      means:
        form.season === 'none'
          ? 'level and slope go on'
          : `level and slope ${adds ? '+' : '×'} season`,
      measure: 'level',
      component: 'forecast',
      mark: 'line-dashed',
      stages: ['project'],
      ahead: ahead.forecast,
      arithmetic: (t) =>
        form.season === 'none'
          ? reached(t)
          : pointOf(run.cell('forecastDeseasonalized', t), run.cell('seasonState', t)),
    }),
    ...limitColumns(run, options, ahead, {
      explains: ahead.factors ? 'prediction limit by formula' : 'quantile of 5,000 simulated paths',
      arithmetic: (level, side, t) => limitOf(run, ahead, level, side, t),
      whyNone:
        ahead.interval.s === null
          ? 'There are no limits: too few values for the numbers estimated.'
          : null,
    }),
  ]

  /** Level and slope carried on to a period ahead. */
  function reached(t: number): Expression {
    const level = run.cell('smoothedLevel', n)
    if (form.trend === 'none') return level
    const slope = run.cell('slope', n)
    const h = t - n
    if (form.trend === 'multiplicative') {
      return operation(level, '×', { kind: 'power', of: slope, power: h })
    }
    const phi = ahead.weights.phi ?? 1
    const sum = Array.from({ length: h }, (_, i) => phi ** (i + 1)).reduce((a, b) => a + b, 0)
    const steps = form.trend === 'damped' ? figureOf(`(φ + … + φ^${h})`, sum) : plain(h)
    return operation(level, '+', operation(steps, '×', slope))
  }
}

const GREEK = { alpha: 'α', beta: 'β', gamma: 'γ' } as const

/** The states a period starts from: those of the period before, at the start figures of their own. */
function stateCells(run: Run, { form, initial, weights }: SmoothingForecast) {
  const { firstT } = run
  const m = initial.season?.length ?? 0
  const levelBefore = (t: number) =>
    t === firstT ? figureOf('initial level', initial.level) : run.cell('smoothedLevel', t - 1)
  const slopeBefore = (t: number) =>
    t === firstT ? figureOf('initial slope', initial.trend ?? 0) : run.cell('slope', t - 1)
  const seasonBefore = (t: number): Expression =>
    t - firstT < m
      ? figureOf(`initial season (${run.label(t)})`, initial.season![t - firstT]!)
      : run.cell('seasonState', t - m)
  const base = (t: number) =>
    form.trend === 'damped'
      ? operation(figureOf('φ', weights.phi ?? 1), '×', slopeBefore(t))
      : slopeBefore(t)
  const u = (t: number): Expression => {
    if (form.trend === 'none') return levelBefore(t)
    return form.trend === 'multiplicative'
      ? operation(levelBefore(t), '×', slopeBefore(t))
      : operation(levelBefore(t), '+', base(t))
  }
  return { levelBefore, slopeBefore, seasonBefore, base, u }
}

function limitOf(
  run: Run,
  { factors, interval, limits }: SmoothingForecast,
  level: number,
  side: 'lower' | 'upper',
  t: number,
): Expression {
  const at = t - run.lastT - 1
  if (!factors) {
    const tail = (100 - level) / 2
    const share = side === 'lower' ? tail : 100 - tail
    return figureOf(`${share}% of simulated paths below`, limits[level]![side][at]!)
  }
  const spread = operation(figureOf('σ', interval.s!), '×', {
    kind: 'root',
    of: figureOf('variance factor', factors[at]!),
  })
  const reach = operation(figureOf(`z(${level}%)`, interval.quantiles[level]!), '×', spread)
  return operation(run.cell('forecast', t), side === 'lower' ? '−' : '+', reach)
}
