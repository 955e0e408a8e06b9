import { onePeriod } from '../calendar/labels'
import type { Method } from '../method'
import type { Result } from '../result'
import { calendarOfResult } from './calendarOfResult'
import type { CellColumn } from './cell'

/** The part of the series a row belongs to: it decides colour and mark. */
export type Component =
  'original' | 'trendCycle' | 'season' | 'irregular' | 'deseasonalized' | 'forecast'

/** One row of the ledger: a step of the calculation, named and with its unit. */
export interface LedgerRow {
  readonly column: CellColumn
  readonly label: string
  /** How the row is made, or what it counts. */
  readonly means: string
  /** `litres`, or `factor` for what is read around 1. */
  readonly unit: string
  readonly component: Component
  /** Periods to the right of its time code at which a cell stands: a half for averages between two. */
  readonly offset: number
  /** What a factor or difference is read against; null for a level. */
  readonly baseline: number | null
}

const FACTOR = 'factor'

/**
 * The rows of the ledger in the order of the calculation, for the method that was run.
 *
 * Rows that a method does not have are left out: no off-centre average for an odd number of
 * seasons, no cycle where the trend-cycle is a line.
 */
export function ledgerRows(result: Result): LedgerRow[] {
  const { unit, seasons } = result.series
  const { decompose } = result.method
  const { by, model } = decompose
  const multiplicative = model === 'multiplicative'
  const per = onePeriod(calendarOfResult(result))
  const sign = multiplicative ? '÷' : '−'
  const join = multiplicative ? '×' : '+'
  const part = {
    unit: multiplicative ? FACTOR : unit,
    baseline: multiplicative ? 1 : 0,
    offset: 0,
  }
  const level = { unit, baseline: null, offset: 0 }
  const averages = by === 'ratio-to-moving-average'
  const { original, value } = result.columns
  const isCaredFor = value.some((used, i) => used !== original[i])
  const rows: LedgerRow[] = [
    ...(isCaredFor
      ? [
          {
            column: 'original',
            label: 'As it came in',
            means: unit,
            component: 'original',
            ...level,
          } as const,
        ]
      : []),
    {
      column: 'value',
      label: isCaredFor ? 'Sales as used' : 'Sales',
      means: unit,
      component: 'original',
      ...level,
    },
  ]
  if (averages && seasons % 2 === 0) {
    rows.push({
      column: 'movingAverage',
      label: `${seasons}-term average`,
      means: `between ${per}s`,
      component: 'trendCycle',
      ...level,
      offset: (seasons - 1) / 2,
    })
  }
  rows.push({
    column: 'trendCycle',
    label: averages ? 'Centred average' : 'Trend-cycle',
    means: trendCycleWords(decompose, seasons, per),
    component: 'trendCycle',
    ...level,
  })
  rows.push(
    {
      column: 'seasonalIrregular',
      label: multiplicative ? 'Ratio' : 'Difference',
      means: `sales ${sign} ${averages ? 'average' : by === 'simple-averages' ? 'overall mean' : 'trend-cycle'}`,
      component: 'season',
      ...part,
    },
    {
      column: 'index',
      label: 'Index',
      means: indexWords(decompose),
      component: 'season',
      ...part,
    },
    {
      column: 'deseasonalized',
      label: 'Deseasonalized',
      means: `sales ${sign} index`,
      component: 'deseasonalized',
      ...level,
    },
    {
      column: 'trend',
      label: 'Trend',
      means: 'line through it',
      component: 'deseasonalized',
      ...level,
    },
  )
  if (averages || by === 'stl') {
    rows.push({
      column: 'cycle',
      label: 'Cycle',
      means: `${averages ? 'average' : 'trend-cycle'} ${sign} trend`,
      component: 'trendCycle',
      ...part,
    })
  }
  rows.push(
    {
      column: 'irregular',
      label: 'Irregular',
      means: multiplicative ? 'ratio ÷ index' : 'difference − index',
      component: 'irregular',
      ...part,
    },
    {
      column: 'recomposed',
      label: 'Recomposed',
      means: `${averages ? 'average' : 'trend-cycle'} ${join} index`,
      component: 'trendCycle',
      ...level,
    },
    {
      column: 'fitted',
      label: 'Fitted',
      means: `trend ${join} index`,
      component: 'forecast',
      ...level,
    },
    {
      column: 'residual',
      label: 'Residual',
      means: 'sales − fitted',
      component: 'irregular',
      ...level,
      baseline: 0,
    },
    {
      column: 'forecastDeseasonalized',
      label: 'Forecast, deseas.',
      means: 'not yet in season',
      component: 'deseasonalized',
      ...level,
    },
    {
      column: 'forecast',
      label: 'Forecast',
      means: `trend ${join} index`,
      component: 'forecast',
      ...level,
    },
  )
  if (by === 'stl') {
    rows.push({
      column: 'weight',
      label: 'Weight',
      means: 'how far believed',
      unit: 'from 0 to 1',
      component: 'irregular',
      offset: 0,
      baseline: 1,
    })
  }
  for (const wanted of result.method.forecast.levels) {
    for (const side of ['lower', 'upper'] as const) {
      rows.push({
        column: `${side}:${wanted}`,
        label: `${wanted}% ${side}`,
        means: 'prediction limit',
        component: 'forecast',
        ...level,
      })
    }
  }
  return rows
}

function trendCycleWords(decompose: Method['decompose'], seasons: number, per: string): string {
  switch (decompose.by) {
    case 'ratio-to-moving-average':
      return seasons % 2 === 0 ? `2×${seasons}` : `${seasons} terms`
    case 'ratio-to-trend':
      return 'line through sales'
    case 'simple-averages':
      return 'line through deseas.'
    case 'stl':
      return `loess, ${decompose.trendWindow} ${per}s`
  }
}

function indexWords(decompose: Method['decompose']): string {
  if (decompose.by !== 'stl') {
    const { average, adjust } = decompose
    return `${average.replace('-', ' ')}, ${adjust ? 'adjusted' : 'not adjusted'}`
  }
  const { seasonalWindow } = decompose
  return seasonalWindow === 'periodic'
    ? 'loess, the same every year'
    : `loess, ${seasonalWindow} years`
}
