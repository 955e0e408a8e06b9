import { declare, type Column } from '../../column/column'
import { figureOf, operation, plain, type Expression } from '../../column/expression'
import type { Run } from '../../column/run'
import { TREND_FORMS } from '../../trend/forms'
import { notFitted } from '../../trend/trendColumn'
import { trendWayOf } from '../../trend/ways'
import { backTransformed, fittedColumns, limitColumns, withoutSeasonColumn } from '../columns'
import type { ForecastParts } from '../way'
import type { DecompositionForecast } from './calculate'
import type { ByDecompositionOptions } from './options'
import { seasonOut } from '../../words/seasonOut'

type Parts = ForecastParts<ByDecompositionOptions, DecompositionForecast>

/** Fitted values, what they miss, the forecast before and after the season is put back, and its limits. */
export function columnsOfForecast(run: Run, parts: Parts): Column[] {
  const { unit, hasSeason } = run
  const { ahead } = parts
  const point = pointArithmetic(run, parts)
  const trendInSeason = hasSeason ? `trend ${run.model.restore} index` : 'trend'
  return [
    ...fittedColumns(run, {
      means: trendInSeason,
      arithmetic: (t) => inSeason(run, run.cell('trend', t), t),
      whyUndefined: notFitted(run),
    }),
    ...(hasSeason
      ? [
          withoutSeasonColumn(run, ahead, {
            label: seasonOut(run.without).row('Forecast'),
            symbol: seasonOut(run.without).of('forecast'),
            arithmetic: point,
          }),
        ]
      : []),
    declare(unit, {
      name: 'forecast',
      label: 'Forecast',
      means: trendInSeason,
      measure: 'level',
      component: 'forecast',
      mark: 'line-dashed',
      stages: ['project'],
      ahead: ahead.forecast,
      arithmetic: (t) => (hasSeason ? inSeason(run, trendAhead(run, t), t) : point(t)),
    }),
    ...limitsOfTrend(run, parts),
  ]
}

/** The arithmetic of the trend ahead; of an exponential one of its mean, where that is asked for. */
function pointArithmetic(run: Run, parts: Parts) {
  const { ahead, options, trendFit, trendDesign } = parts
  const { backTransform } = options
  const of = trendWayOf(trendFit.form).regression?.(run, trendFit, trendDesign)
  if (!of || backTransform === undefined || backTransform === 'median') {
    return (t: number): Expression => run.arithmetic('trend', t)
  }
  return (t: number): Expression =>
    backTransformed(
      run.cell('trend', t),
      backTransform,
      ahead.interval.backTransform,
      of,
      spreadOfTrend(run, parts).s,
    )
}

/** The trend in the last period known, which assumptions of growth begin at. */
export function levelOfDecomposition(run: Run, parts: Parts): Expression {
  return pointArithmetic(run, parts)(run.lastT)
}

/** (D ± q × scale × √(1 + h + g)), put back into season. */
function limitsOfTrend(run: Run, parts: Parts): Column[] {
  const { df } = parts.ahead.interval
  const figures = limitFigures(run, parts)
  const isOfLog = TREND_FORMS[parts.trendFit.form].ofLog
  return limitColumns(run, parts.options, parts.ahead, {
    explains: `prediction limit of the trend${run.hasSeason ? ` ${run.model.restore} index` : ''}`,
    arithmetic: (level, side, t) => {
      const { quantile, scale, leverage, uncertainty } = figures(level, t)
      const trendOnly = operation(plain(1), '+', leverage)
      const spread = {
        kind: 'root',
        of: uncertainty ? operation(trendOnly, '+', uncertainty) : trendOnly,
      } as const
      const reach = operation(operation(quantile, '×', scale), '×', spread)
      const trend = run.cell('trend', t)
      const isLower = side === 'lower'
      if (!isOfLog) return inSeason(run, operation(trend, isLower ? '−' : '+', reach), t)
      // On the scale of logarithms a reach to either side is a factor.
      const factor = { kind: 'exp', of: reach } as const
      return inSeason(run, operation(trend, isLower ? '÷' : '×', factor), t)
    },
    whyNone:
      df > 0
        ? null
        : `There are no limits: the degrees of freedom left are ${df}, and at least 1 is needed.`,
  })
}

/** What a limit is made of, at its level and period. */
interface LimitFigures {
  readonly quantile: Expression
  readonly scale: Expression
  readonly leverage: Expression
  /** null without a season. */
  readonly uncertainty: Expression | null
}

/** g, of the index; null without a season. */
function ofIndex(run: Run, { uncertainty }: DecompositionForecast, t: number): Expression | null {
  const value = uncertainty[t - run.lastT - 1]!
  return run.hasSeason ? figureOf('g, of the index', value, run.indexUncertainty?.(t)) : null
}

/** Degrees of freedom, s and h of the trend. */
function spreadOfTrend(run: Run, { ahead, trendFit, trendDesign, seasonCost, costBefore }: Parts) {
  const { df, s, sRelative } = ahead.interval
  return trendWayOf(trendFit.form).limits(run, trendFit, trendDesign, {
    ...{ df, costs: [seasonCost, costBefore], s, sRelative },
    leverageAt: (t) => ahead.leverage[t - run.lastT - 1]!,
  })
}

/** t(level), the scale, h and g, each with the arithmetic that made it; what is shared is made once. */
function limitFigures(run: Run, parts: Parts): (level: number, t: number) => LimitFigures {
  const { ahead } = parts
  const { interval } = ahead
  const own = spreadOfTrend(run, parts)
  const shared = new Map<string, Expression>()
  const once = (name: string, make: () => Expression): Expression => {
    const known = shared.get(name) ?? make()
    shared.set(name, known)
    return known
  }
  /** s, or where noise grows with the level its share times the trend. */
  const scaleAt = (t: number): Expression =>
    interval.sRelative !== null && ahead.deseasonalized[t - run.lastT - 1]! > 0
      ? operation(once('share', own.share), '×', run.cell('trend', t))
      : once('s', own.s)
  return (level: number, t: number) => ({
    quantile: once(`t(${level}%)`, () =>
      figureOf(`t(${level}%)`, interval.quantiles[level]!, {
        kind: 't-quantile',
        level,
        df: own.df(),
      }),
    ),
    scale: scaleAt(t),
    leverage: once(`leverage ${t}`, () => own.leverage(t)),
    uncertainty: ofIndex(run, ahead, t),
  })
}

function trendAhead(run: Run, t: number): Expression {
  return run.cell(run.hasSeason ? 'forecastDeseasonalized' : 'trend', t)
}

function inSeason(run: Run, level: Expression, t: number): Expression {
  return run.hasSeason ? operation(level, run.model.restore, run.cell('index', t)) : level
}
