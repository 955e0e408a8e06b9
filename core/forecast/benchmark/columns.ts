import { oneCycle } from '../../calendar/labels'
import { declare, type Column } from '../../column/column'
import { figureOf, meanOf, operation, plain, type Expression } from '../../column/expression'
import { once } from '../../column/once'
import type { Run } from '../../column/run'
import { benchmarkSays, benchmarkBasis } from '../benchmarks'
import { fittedColumns, limitColumns } from '../columns'
import type { ForecastParts } from '../way'
import type { BenchmarkForecast } from './calculate'
import type { BenchmarkOptions } from './options'

type Parts = ForecastParts<BenchmarkOptions, BenchmarkForecast>

/** Fitted values one step ahead, what they miss, the forecast and its limits. */
export function columnsOfBenchmark(run: Run, parts: Parts): Column[] {
  const { ahead, options } = parts
  const says = benchmarkSays(options.which, oneCycle(run.calendar))
  const point = pointArithmetic(run, options)
  return [
    ...fittedColumns(run, {
      means: says,
      arithmetic: point.fitted,
      whyUndefined: () => 'The value that would be repeated is missing, or lies before the series.',
    }),
    declare(run.unit, {
      name: 'forecast',
      label: 'Forecast',
      means: says,
      measure: 'level',
      component: 'forecast',
      mark: 'line-dashed',
      stages: ['project'],
      ahead: ahead.forecast,
      arithmetic: point.ahead,
    }),
    ...limitColumns(run, options, ahead, {
      explains: 'prediction limit of errors of one step',
      arithmetic: limitArithmetic(run, parts),
      whyNone:
        ahead.interval.df > 0 ? null : 'There are no limits: too few errors of one step are left.',
    }),
  ]
}

/** The cells that a fitted value, and a forecast, is made from. */
function pointArithmetic(run: Run, { which }: BenchmarkOptions) {
  const { firstT, calendar } = run
  const cell = (entry: number) => run.cell(run.input.column, firstT + entry)
  const basis = benchmarkBasis(run.input.values, calendar.seasons)!
  const present = run.input.values.flatMap((value, i) => (value === null ? [] : [i]))
  // Cells have their values only once every column is there, so nothing is made before it is asked for.
  const average = () => meanOf(present.length, (i) => cell(present[i]!))
  const slope = () =>
    figureOf(
      'drift',
      basis.slope,
      operation(
        operation(cell(basis.last), '−', cell(basis.first)),
        '÷',
        plain(Math.max(1, basis.last - basis.first)),
      ),
    )
  const lag = which === 'lastYear' ? calendar.seasons : 1
  return {
    fitted: (t: number): Expression => {
      if (which === 'mean') return average()
      const before = run.cell(run.input.column, t - lag)
      return which === 'drift' ? operation(before, '+', slope()) : before
    },
    ahead: (t: number): Expression => {
      switch (which) {
        case 'mean':
          return average()
        case 'lastYear':
          return cell(basis.lastOfSeason(t - firstT)!)
        case 'lastValue':
          return cell(basis.last)
        case 'drift': {
          const steps = plain(t - firstT - basis.last)
          return operation(cell(basis.last), '+', operation(steps, '×', slope()))
        }
      }
    },
  }
}

/** ŷ ± t(level) × s × √g. */
function limitArithmetic(run: Run, { ahead }: Parts) {
  const { df, s, quantiles } = ahead.interval
  const missed = run.columns.t.filter((_, i) => run.columns.residual[i] !== null)
  const squares = (): Expression => ({
    kind: 'average',
    how: 'mean-square',
    terms: missed.map((t) => run.cell('residual', t)),
  })
  const spread = once(() =>
    figureOf('s', s ?? 0, {
      kind: 'root',
      of: operation(operation(squares(), '×', plain(missed.length)), '÷', plain(df)),
    }),
  )
  return (level: number, side: 'lower' | 'upper', t: number): Expression => {
    const quantile = figureOf(`t(${level}%)`, quantiles[level]!, {
      kind: 't-quantile',
      level,
      df: plain(df),
    })
    const growth = { kind: 'root', of: figureOf('g', ahead.growth[t - run.lastT - 1]!) } as const
    const reach = operation(operation(quantile, '×', spread()), '×', growth)
    return operation(run.cell('forecast', t), side === 'lower' ? '−' : '+', reach)
  }
}
