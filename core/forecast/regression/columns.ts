import { declare, type Column } from '../../column/column'
import {
  figureOf,
  operation,
  plain,
  type Expression,
  type Regression,
} from '../../column/expression'
import { regressionOf, type Run } from '../../column/run'
import type { DesignColumn } from '../../regression/design'
import { capitalized } from '../../series/noun'
import type { Value } from '../../series/series'
import { notFitted } from '../../trend/trendColumn'
import { backTransformed, fittedColumns, limitColumns, withoutSeasonColumn } from '../columns'
import type { ForecastParts } from '../way'
import type { RegressionForecast } from './calculate'
import { designOfRegression, seasonEffectAt, type RegressionDesign } from './design'
import type { RegressionOptions } from './options'
import { listed } from '../../words/listed'

type Parts = ForecastParts<RegressionOptions, RegressionForecast>

/** What the columns of a regression share: its design, and the figures that it found. */
interface Fitted {
  readonly run: Run
  readonly parts: Parts
  readonly design: RegressionDesign
  readonly coefficients: readonly number[]
  readonly ofLog: boolean
  /** Time code of the first fitted period. */
  readonly from: number
  readonly regression: () => Regression
}

/** Every column of the design, the fitted values and what they miss, the season's effect, the forecast and its limits. */
export function columnsOfRegression(run: Run, parts: Parts): Column[] {
  const fitted = fittedOf(run, parts)
  return [
    ...designColumns(fitted),
    ...fitColumns(fitted),
    ...(fitted.design.season.length > 0 ? seasonColumns(fitted) : []),
    forecastColumn(fitted),
    ...limitsOfRegression(fitted),
  ]
}

function fittedOf(run: Run, parts: Parts): Fitted {
  const report = parts.report!
  const design = designOfRegression(parts.options, parts.trendOptions, parts.calendar, run.start)
  let made: Regression | null = null
  return {
    run,
    parts,
    design,
    coefficients: report.terms.map(({ estimate }) => estimate),
    ofLog: report.ofLog,
    from: report.from,
    regression: () =>
      (made ??= {
        ...regressionOf(run, run.input.column, report.from, design.all, report.ofLog),
        rows: design.all.map((column) => ledgerName({ design }, column)),
      }),
  }
}

/** The name of a design column in the ledger, where other columns have names too. */
function ledgerName({ design }: Pick<Fitted, 'design'>, column: DesignColumn): string {
  return `${design.events.includes(column) ? 'event' : 'design'} ${column.name}`
}

/** A row for every column that the regression was fitted to. */
function designColumns(fitted: Fitted): Column[] {
  const { run, design, parts, from } = fitted
  return design.all.map((column) => {
    const actual = run.columns.t.map((t) => (t < from ? null : column.at(t)))
    const isCount = actual.every((x) => x === null || Number.isInteger(x))
    return declare(run.unit, {
      name: ledgerName(fitted, column),
      label: capitalized(column.label),
      symbol: column.label,
      means: column.means,
      explains: `column of the regression: ${column.means}`,
      measure: isCount ? 'count' : 'number',
      component: design.season.includes(column) ? 'season' : 'forecast',
      mark: 'dots',
      group: { name: 'regression', label: 'of the regression' },
      stages: ['trend'],
      actual,
      ahead: parts.ahead.t.map(column.at),
      arithmetic: (t) => figureOf(column.label, column.at(t)),
      whyUndefined: notFitted(run, 'The regression'),
    })
  })
}

function fitColumns(fitted: Fitted): Column[] {
  const { run, ofLog } = fitted
  return fittedColumns(run, {
    of: ', regression',
    means: ofLog ? 'exp of its columns’ sum' : 'sum of its columns',
    stages: ['trend', 'check'],
    arithmetic: (t) => back(fitted, linearPredictor(fitted, t)),
    whyUndefined: notFitted(run, 'The regression'),
  })
}

/** What the season adds by the regression, and the forecast without it. */
function seasonColumns(fitted: Fitted): Column[] {
  const { run, design, coefficients, ofLog, parts, from } = fitted
  const effect = (t: number): number => {
    const own = seasonEffectAt(design, coefficients, t)
    return ofLog ? Math.exp(own) : own
  }
  return [
    declare(run.unit, {
      name: 'seasonEffect',
      label: 'Season, regression',
      strip: {
        ...{ id: 'seasonEffect', title: 'Season, regression', share: 2 },
        label: 'against the average season',
      },
      symbol: 'season’s effect',
      means: 'against the average season',
      measure: ofLog ? 'factor' : 'difference',
      component: 'season',
      mark: 'bars',
      stages: ['trend', 'project'],
      actual: run.columns.t.map((t): Value => (t < from ? null : effect(t))),
      ahead: parts.ahead.t.map(effect),
      arithmetic: (t) => {
        const terms = design.centredSeason(t).flatMap((weight, j): Expression[] => {
          if (weight === 0) return []
          const at = 1 + design.trend.length + j
          const { label } = design.season[j]!
          return [
            operation(coefficient(fitted, at), '×', figureOf(`(${label} − its mean)`, weight)),
          ]
        })
        return back(fitted, sumOf(terms))
      },
      whyUndefined: notFitted(run, 'The regression'),
    }),
    withoutSeasonColumn(run, parts.ahead, {
      label: 'Forecast, no season',
      symbol: `forecast without ${listed(['season', ...run.without])}`,
      arithmetic: (t) =>
        operation(run.cell('forecast', t), ofLog ? '÷' : '−', run.cell('seasonEffect', t)),
    }),
  ]
}

function forecastColumn(fitted: Fitted): Column {
  const { run, parts } = fitted
  return declare(run.unit, {
    name: 'forecast',
    label: 'Forecast, regression',
    symbol: 'forecast',
    means: fitted.ofLog ? 'exp of its columns’ sum' : 'sum of its columns',
    measure: 'level',
    component: 'forecast',
    mark: 'line-dashed',
    stages: ['project'],
    ahead: parts.ahead.forecast,
    arithmetic: (t) =>
      backTransformed(
        back(fitted, linearPredictor(fitted, t)),
        parts.options.backTransform,
        parts.ahead.interval.backTransform,
        fitted.regression,
        () => spreadOf(fitted),
      ),
  })
}

/** What the regression says of the last period known, without its season. */
export function levelOfRegression(run: Run, parts: Parts): Expression {
  const fitted = fittedOf(run, parts)
  const { options, ahead } = parts
  const point = backTransformed(
    back(fitted, linearPredictor(fitted, run.lastT)),
    options.backTransform,
    ahead.interval.backTransform,
    fitted.regression,
    () => spreadOf(fitted),
  )
  if (fitted.design.season.length === 0) return point
  return operation(point, fitted.ofLog ? '÷' : '−', run.cell('seasonEffect', run.lastT))
}

/** s: the root of what the sum of squared residuals is by degree of freedom. */
function spreadOf({ regression, parts }: Fitted): Expression {
  const { s, df } = parts.ahead.interval
  const sse = { kind: 'regression', gives: { figure: 'sse' }, of: regression() } as const
  return figureOf('s', s, { kind: 'root', of: operation(sse, '÷', plain(df)) })
}

/** ŷ ± t × s × √(1 + h), of logarithms exp of it. */
function limitsOfRegression(fitted: Fitted): Column[] {
  const { run, parts } = fitted
  const { ahead } = parts
  const { interval } = ahead
  const df = plain(interval.df)
  return limitColumns(run, parts.options, ahead, {
    explains: 'prediction limit of the regression',
    arithmetic: (level, side, t) => {
      const of = fitted.regression()
      const made = { kind: 't-quantile', level, df } as const
      const quantile = figureOf(`t(${level}%)`, interval.quantiles[level]!, made)
      const leverage = figureOf('h', ahead.leverage[t - run.lastT - 1]!, {
        kind: 'regression',
        gives: { figure: 'leverage', t },
        of,
      })
      const root = { kind: 'root', of: operation(plain(1), '+', leverage) } as const
      const reach = operation(operation(quantile, '×', spreadOf(fitted)), '×', root)
      return back(
        fitted,
        operation(linearPredictor(fitted, t), side === 'lower' ? '−' : '+', reach),
      )
    },
    whyNone: null,
  })
}

/** The coefficients times the cells of their columns; what is 0 is not written. */
function linearPredictor(fitted: Fitted, t: number): Expression {
  const { run, design } = fitted
  const terms = design.all.flatMap((column, j): Expression[] =>
    column.at(t) === 0
      ? []
      : [operation(coefficient(fitted, j + 1), '×', run.cell(ledgerName(fitted, column), t))],
  )
  return sumOf([coefficient(fitted, 0), ...terms])
}

function coefficient(fitted: Fitted, at: number): Expression {
  const name = at === 0 ? 'constant' : `b(${fitted.design.all[at - 1]!.label})`
  return figureOf(name, fitted.coefficients[at]!, {
    kind: 'regression',
    gives: { figure: 'coefficient', at },
    of: fitted.regression(),
  })
}

function sumOf([first, ...rest]: readonly Expression[]): Expression {
  return rest.reduce((sum, term) => operation(sum, '+', term), first ?? plain(0))
}

function back({ ofLog }: Fitted, sum: Expression): Expression {
  return ofLog ? { kind: 'exp', of: sum } : sum
}
