import { declare, type Column } from '../../column/column'
import { figureOf, operation, plain, type Expression } from '../../column/expression'
import { regressionOf, type Run } from '../../column/run'
import { notFitted } from '../../trend/columns'
import { TREND_FORMS } from '../../trend/forms'
import type { ForecastParts } from '../way'
import type { DecompositionForecast } from './calculate'
import type { ByDecompositionOptions } from './options'

type Parts = ForecastParts<ByDecompositionOptions, DecompositionForecast>

/** Fitted values, what they miss, the forecast before and after the season is put back, and its limits. */
export function columnsOfForecast(run: Run, parts: Parts): Column[] {
  const { unit, columns, hasSeason } = run
  const { ahead } = parts
  const trendInSeason = hasSeason ? `trend ${run.model.restore} index` : 'trend'
  return [
    declare(unit, {
      name: 'fitted',
      label: 'Fitted',
      means: trendInSeason,
      measure: 'level',
      component: 'forecast',
      mark: 'line-dashed',
      stages: ['check'],
      actual: columns.fitted,
      arithmetic: (t) => inSeason(run, run.cell('trend', t), t),
      whyUndefined: notFitted(run),
    }),
    declare(unit, {
      name: 'residual',
      label: 'Residual',
      means: 'sales − fitted',
      measure: 'difference',
      component: 'irregular',
      mark: 'stems',
      stages: ['check'],
      actual: columns.residual,
      arithmetic: (t) => operation(run.cell('value', t), '−', run.cell('fitted', t)),
      whyUndefined: notFitted(run),
    }),
    ...(hasSeason ? [deseasonalizedColumn(run, parts)] : []),
    declare(unit, {
      name: 'forecast',
      label: 'Forecast',
      means: trendInSeason,
      measure: 'level',
      component: 'forecast',
      mark: 'line-dashed',
      stages: ['project'],
      ahead: ahead.forecast,
      arithmetic: (t) => inSeason(run, trendAhead(run, t), t),
    }),
    ...limitColumns(run, parts),
  ]
}

/** The trend over the forecast under its own name, so that it is not taken for the forecast. */
function deseasonalizedColumn(run: Run, { ahead }: Parts): Column {
  return declare(run.unit, {
    name: 'forecastDeseasonalized',
    label: 'Forecast, deseas.',
    symbol: 'deseasonalized forecast',
    means: 'not yet in season',
    measure: 'level',
    component: 'deseasonalized',
    mark: 'line-dotted',
    stages: ['project'],
    ahead: ahead.deseasonalized,
    arithmetic: (t) => run.arithmetic('trend', t),
  })
}

/** (D ± q × s × √(1 + h)), put back into season. */
function limitColumns(run: Run, parts: Parts): Column[] {
  const { ahead, options } = parts
  const { df } = ahead.interval
  const figures = limitFigures(run, parts)
  const trendPart = run.hasSeason ? `of the trend ${run.model.restore} index` : 'of the trend'
  return options.levels.flatMap((level) =>
    (['lower', 'upper'] as const).map((side) =>
      declare(run.unit, {
        name: `${side}:${level}`,
        label: `${level}% ${side}`,
        means: 'prediction limit',
        explains: `prediction limit ${trendPart}`,
        measure: 'level',
        component: 'forecast',
        mark: 'line-thin',
        stages: ['project'],
        ahead: ahead.limits[level]![side],
        arithmetic: (t) => {
          const { quantile, s, leverage } = figures(level, t)
          const spread = {
            kind: 'root',
            of: operation(plain(1), '+', leverage),
          } as const
          const reach = operation(operation(quantile, '×', s), '×', spread)
          const sign = side === 'lower' ? '−' : '+'
          return inSeason(run, operation(trendAhead(run, t), sign, reach), t)
        },
        whyUndefined: () =>
          `There are no limits: the degrees of freedom left are ${df}, and at least 1 is needed.`,
      }),
    ),
  )
}

/** t(level), s and h, each with the arithmetic that made it; what is shared is made once. */
function limitFigures(run: Run, { ahead, trendFrom, seasonCost }: Parts) {
  const { interval, leverage } = ahead
  let of: ReturnType<typeof regressionOf> | null = null
  const regression = () =>
    (of ??= regressionOf(
      run,
      run.hasSeason ? 'deseasonalized' : 'value',
      trendFrom,
      TREND_FORMS.linear.columns,
    ))
  const df = () => {
    const { y, columns } = regression()
    const free = operation(plain(y.length), '−', plain(columns.length + 1))
    return seasonCost === 0 ? free : operation(free, '−', plain(seasonCost))
  }
  const shared = new Map<string, Expression>()
  const once = (name: string, make: () => Expression): Expression => {
    const known = shared.get(name) ?? make()
    shared.set(name, known)
    return known
  }
  return (level: number, t: number) => ({
    quantile: once(`t(${level}%)`, () =>
      figureOf(`t(${level}%)`, interval.quantiles[level]!, { kind: 't-quantile', level, df: df() }),
    ),
    s: once('s', () => {
      const sse = { kind: 'regression', gives: { figure: 'sse' }, of: regression() } as const
      return figureOf('s', interval.s!, { kind: 'root', of: operation(sse, '÷', df()) })
    }),
    leverage: once(`h ${t}`, () =>
      figureOf('h', leverage[t - run.lastT - 1]!, {
        kind: 'regression',
        gives: { figure: 'leverage', x: TREND_FORMS.linear.columns.map(({ at }) => at(t)) },
        of: regression(),
      }),
    ),
  })
}

function trendAhead(run: Run, t: number): Expression {
  return run.cell(run.hasSeason ? 'forecastDeseasonalized' : 'trend', t)
}

function inSeason(run: Run, level: Expression, t: number): Expression {
  return run.hasSeason ? operation(level, run.model.restore, run.cell('index', t)) : level
}
