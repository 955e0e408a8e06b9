import { declare, type Column } from '../../column/column'
import { figureOf, operation, type Expression } from '../../column/expression'
import type { Run } from '../../column/run'
import { slopeWords, smoothingArithmetic } from '../../stateSpace/arithmetic'
import { fittedColumns, limitColumns, withoutSeasonColumn } from '../columns'
import { backFrom } from '../../transform/boxCox'
import { noWayBack } from '../beyondNumbers'
import type { ForecastParts } from '../way'
import type { SmoothingForecast } from './calculate'
import type { SmoothingOptions } from './options'
import { backExpression, transformedColumn } from '../powerColumns'

type Parts = ForecastParts<SmoothingOptions, SmoothingForecast>

/** States over time, one-step forecasts and their errors, the forecast and its limits. */
export function columnsOfSmoothing(run: Run, parts: Parts): Column[] {
  const { options, ahead } = parts
  const { form, states, weights, initial, transform, scaled, pathsEnded } = ahead
  const noWay = () => noWayBack(transform?.lambda ?? 0)
  const adds = form.season === 'additive'
  const hasSeason = form.season !== 'none'
  const level = transform ? 'scaledLevel' : 'smoothedLevel'
  const cells = smoothingArithmetic(run, {
    ...{
      form,
      weights,
      initial,
      of: transform ? 'transformed' : run.input.column,
      from: run.firstT,
    },
    ...{ level, slope: 'slope', season: 'seasonState' },
  })
  const back = (z: Expression) => (transform ? backExpression(z, transform.lambda) : z)
  /** What a state is counted in: on the scale of a power in no unit. */
  const measured = (measure: Column['measure']): Pick<Column, 'measure'> => ({
    measure: transform && measure !== 'factor' ? 'number' : measure,
  })
  const levelWords = {
    symbol: 'level',
    means: hasSeason ? 'seasonally adjusted mean' : 'latest mean',
    component: 'trendCycle',
    mark: 'line-thick',
  } as const
  return [
    ...(transform && scaled ? [transformedColumn(run, transform.lambda, scaled.values)] : []),
    ...(transform
      ? [
          declare(run.unit, {
            ...levelWords,
            name: level,
            label: 'Level, transformed',
            strip: {
              id: 'state',
              title: 'Level',
              share: 2,
              label: 'level',
              under: ['transformed'],
            },
            ...measured('level'),
            stages: ['trend'],
            actual: states.level,
            arithmetic: cells.level,
          }),
        ]
      : []),
    declare(run.unit, {
      ...levelWords,
      name: 'smoothedLevel',
      label: 'Level, smoothed',
      strip: transform ? null : { id: 'state', title: 'Level', share: 2, label: 'smoothed' },
      measure: 'level',
      stages: transform ? ['deseasonalize'] : ['deseasonalize', 'trend'],
      actual: transform ? states.level.map((z) => backFrom(z, transform.lambda)) : states.level,
      arithmetic: transform ? (t) => back(run.cell(level, t)) : cells.level,
      whyUndefined: noWay,
    }),
    ...(states.trend
      ? [
          declare(run.unit, {
            name: 'slope',
            label: 'Slope, smoothed',
            strip: { id: 'state', title: 'Slope', share: 1.4, label: 'smoothed' },
            symbol: 'slope',
            ...slopeWords(form, run.per),
            ...measured(slopeWords(form, run.per).measure),
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
            strip: { id: 'state', title: 'Season', share: 1.6, label: 'smoothed' },
            symbol: 'season',
            means: 'as it changes',
            ...measured(adds ? 'difference' : 'factor'),
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
      arithmetic: (t) =>
        back(cells.inSeason(cells.before(t), hasSeason ? cells.seasonBefore(t) : null)),
      whyUndefined: (t) =>
        run.value(run.input.column, t) === null
          ? 'This period has no value to compare with.'
          : noWay(),
    }),
    ...(hasSeason
      ? [
          withoutSeasonColumn(run, ahead, {
            label: 'Forecast, no season',
            symbol: 'forecast without season',
            arithmetic: (t) => back(cells.reached(t)),
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
      arithmetic: point,
    }),
    ...limitColumns(run, options, ahead, {
      explains: ahead.factors ? 'prediction limit by formula' : 'quantile of 5,000 simulated paths',
      arithmetic: (one, side, t) => limitOf(run, parts, one, side, t),
      whyNone:
        ahead.interval.s === null
          ? 'There are no limits: too few values for the numbers estimated.'
          : transform
            ? noWay()
            : pathsEnded
              ? 'So many of the simulated paths have fallen to 0 by then that this limit is one of them: it is under every figure.'
              : null,
    }),
  ]

  function point(t: number): Expression {
    const season = hasSeason ? run.cell('seasonState', t) : null
    if (!transform) {
      return hasSeason
        ? cells.inSeason(run.cell('forecastDeseasonalized', t), season)
        : cells.reached(t)
    }
    const median = back(cells.inSeason(cells.reached(t), season))
    const over = scaled?.meanOver?.[t - run.lastT - 1]
    return over === undefined ? median : operation(median, '×', figureOf('mean ÷ median', over))
  }
}

function limitOf(
  run: Run,
  { ahead: { factors, interval, limits, transform, scaled } }: Parts,
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
  const sign = side === 'lower' ? '−' : '+'
  if (!transform || !scaled) return operation(run.cell('forecast', t), sign, reach)
  const centre = figureOf('forecast, transformed', scaled.forecast[at]!)
  return backExpression(operation(centre, sign, reach), transform.lambda)
}
