import { declare, type Column } from '../../column/column'
import { figureOf, operation, type Expression } from '../../column/expression'
import type { Run } from '../../column/run'
import { slopeWords, smoothingArithmetic } from '../../column/smoothingStates'
import { fittedColumns, limitColumns, withoutSeasonColumn } from '../columns'
import type { ForecastParts } from '../way'
import type { SmoothingForecast } from './calculate'
import type { SmoothingOptions } from './options'

type Parts = ForecastParts<SmoothingOptions, SmoothingForecast>

/** States over time, one-step forecasts and their errors, the forecast and its limits. */
export function columnsOfSmoothing(run: Run, { options, ahead }: Parts): Column[] {
  const { form, states, weights, initial } = ahead
  const adds = form.season === 'additive'
  const hasSeason = form.season !== 'none'
  const cells = smoothingArithmetic(run, {
    ...{ form, weights, initial, of: 'value', from: run.firstT },
    ...{ level: 'smoothedLevel', slope: 'slope', season: 'seasonState' },
  })
  return [
    declare(run.unit, {
      name: 'smoothedLevel',
      label: 'Level, smoothed',
      symbol: 'level',
      means: hasSeason ? 'seasonally adjusted mean' : 'latest mean',
      measure: 'level',
      component: 'trendCycle',
      mark: 'line-thick',
      stages: ['deseasonalize', 'trend'],
      actual: states.level,
      arithmetic: cells.level,
    }),
    ...(states.trend
      ? [
          declare(run.unit, {
            name: 'slope',
            label: 'Slope, smoothed',
            symbol: 'slope',
            ...slopeWords(form, run.per),
            component: 'deseasonalized',
            mark: 'line-thin',
            stages: ['trend'],
            actual: states.trend,
            arithmetic: cells.slope,
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
            arithmetic: cells.season,
          }),
        ]
      : []),
    ...fittedColumns(run, {
      of: ', smoothing',
      means: 'one step ahead',
      stages: ['trend', 'check'],
      arithmetic: (t) => cells.inSeason(cells.before(t), hasSeason ? cells.seasonBefore(t) : null),
      whyUndefined: () => 'This period has no value to compare with.',
    }),
    ...(hasSeason
      ? [
          withoutSeasonColumn(run, ahead, {
            label: 'Forecast, no season',
            symbol: 'forecast without season',
            arithmetic: cells.reached,
          }),
        ]
      : []),
    declare(run.unit, {
      name: 'forecast',
      label: 'Forecast',
      means: hasSeason ? `level and slope ${adds ? '+' : '×'} season` : 'level and slope go on',
      measure: 'level',
      component: 'forecast',
      mark: 'line-dashed',
      stages: ['project'],
      ahead: ahead.forecast,
      arithmetic: (t) =>
        hasSeason
          ? cells.inSeason(run.cell('forecastDeseasonalized', t), run.cell('seasonState', t))
          : cells.reached(t),
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
