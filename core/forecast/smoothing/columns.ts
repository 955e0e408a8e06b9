import { declare, type Column } from '../../column/column'
import { figureOf, meanOf, operation, plain, type Expression } from '../../column/expression'
import { once } from '../../column/once'
import type { Run } from '../../column/run'
import {
  slopeWords,
  smoothingArithmetic,
  varianceFactorArithmetic,
} from '../../stateSpace/arithmetic'
import { fittedColumns, limitColumns, withoutSeasonColumn } from '../columns'
import { backFrom } from '../../transform/boxCox'
import { noWayBack } from '../beyondNumbers'
import type { ForecastParts } from '../way'
import type { SmoothingForecast } from './calculate'
import type { SmoothingOptions } from './options'
import { backExpression, meanOverArithmetic, transformedColumn } from '../powerColumns'
import { listed } from '../../words/listed'

type Parts = ForecastParts<SmoothingOptions, SmoothingForecast>

/** States over time, one-step forecasts and their errors, the forecast and its limits. */
export function columnsOfSmoothing(run: Run, parts: Parts): Column[] {
  const { options, ahead } = parts
  const { form, states, weights, initial, transform, scaled, pathsEnded } = ahead
  const noWay = () => noWayBack(transform?.lambda ?? 0)
  const adds = form.season === 'additive'
  const hasSeason = form.season !== 'none'
  const level = transform ? 'scaledLevel' : 'smoothedLevel'
  const of = transform ? 'transformed' : run.input.column
  const cells = smoothingArithmetic(run, {
    ...{ form, weights, initial, of, from: run.firstT },
    ...{ level, slope: 'slope', season: 'seasonState' },
  })
  /** One step ahead, on the scale that is smoothed. */
  const expected = (t: number) =>
    cells.inSeason(cells.before(t), hasSeason ? cells.seasonBefore(t) : null)
  const carriedOn = (t: number) =>
    cells.inSeason(cells.reached(t), hasSeason ? run.cell('seasonState', t) : null)
  const errorAt = standardErrors(run, parts, (t) => operation(run.cell(of, t), '−', expected(t)))
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
      arithmetic: (t) => back(expected(t)),
      whyUndefined: (t) =>
        run.value(run.input.column, t) === null
          ? 'This period has no value to compare with.'
          : noWay(),
    }),
    ...(hasSeason
      ? [
          withoutSeasonColumn(run, ahead, {
            label: 'Forecast, no season',
            symbol: `forecast without ${listed(['season', ...run.without])}`,
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
      arithmetic: limitArithmetic(run, parts, { errorAt, centreAt: carriedOn }),
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
    if (!transform) {
      return hasSeason
        ? cells.inSeason(run.cell('forecastDeseasonalized', t), run.cell('seasonState', t))
        : cells.reached(t)
    }
    const z = carriedOn(t)
    const over = scaled?.meanOver?.[t - run.lastT - 1]
    if (over === undefined) return back(z)
    const made = errorAt && meanOverArithmetic(z, errorAt(t), transform.lambda)
    return operation(back(z), '×', figureOf('mean ÷ median', over, made ?? undefined))
  }
}

/**
 * The standard error of each forecast, σ × √(1 + Σc²), on the scale that is smoothed.
 *
 * @param missed what one step ahead missed at a period
 * @returns null where the variance has no formula
 */
function standardErrors(
  run: Run,
  { ahead, calendar }: Parts,
  missed: (t: number) => Expression,
): ((t: number) => Expression) | null {
  const { factors, interval, form, weights } = ahead
  if (!factors || interval.s === null) return null
  const { s, df } = interval
  const present = run.columns.t.filter((_, i) => run.input.values[i] !== null)
  // Periods missing at the end lie between the last error and the forecast.
  const from = present.at(-1) ?? run.lastT
  const factorAfter = varianceFactorArithmetic(form, weights, calendar.seasons)
  const sigma = once(() => {
    const squares = meanOf(present.length, (i) => ({
      ...{ kind: 'power', power: 2 },
      of: missed(present[i]!),
    }))
    const sum = operation(squares, '×', plain(present.length))
    return figureOf('σ', s, { kind: 'root', of: operation(sum, '÷', plain(df)) })
  })
  return (t) => operation(sigma(), '×', { kind: 'root', of: factorAfter(t - from) })
}

/** ŷ ± z × its standard error, on the scale of a power and back from it; of simulated paths their share. */
function limitArithmetic(
  run: Run,
  { ahead }: Parts,
  {
    errorAt,
    centreAt,
  }: { errorAt: ReturnType<typeof standardErrors>; centreAt(t: number): Expression },
): (level: number, side: 'lower' | 'upper', t: number) => Expression {
  const { interval, limits, transform, scaled } = ahead
  return (level, side, t) => {
    const at = t - run.lastT - 1
    if (!errorAt) {
      const tail = (100 - level) / 2
      const share = side === 'lower' ? tail : 100 - tail
      return figureOf(`${share}% of simulated paths below`, limits[level]![side][at]!)
    }
    const quantile = figureOf(`z(${level}%)`, interval.quantiles[level]!, {
      kind: 'normal-quantile',
      level,
    })
    const reach = operation(quantile, '×', errorAt(t))
    const sign = side === 'lower' ? '−' : '+'
    if (!transform || !scaled) return operation(run.cell('forecast', t), sign, reach)
    const centre = figureOf('forecast, transformed', scaled.forecast[at]!, centreAt(t))
    return backExpression(operation(centre, sign, reach), transform.lambda)
  }
}

/** Without a season its level in the last period known. */
export function levelOfSmoothing(run: Run): Expression {
  return run.cell('smoothedLevel', run.lastT)
}
