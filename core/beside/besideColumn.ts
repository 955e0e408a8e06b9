import { onePeriod } from '../calendar/labels'
import { growth } from '../growth/growth'
import { calendarOfResult } from '../ledger/calendarOfResult'
import type { LedgerRow } from '../ledger/rows'
import type { Result } from '../result'
import type { Value } from '../series/series'
import { averageName, smoothBy, type AverageKind } from '../smoothing/averageKinds'
import { rollingDeviation, trailingAverage } from '../smoothing/rolling'
import { detrend, type DetrendForm } from '../trend/detrend'
import { difference, type Difference } from '../stationarity/difference'

export const GROWTH_KINDS = [
  'periodOnPeriod',
  'annualizedSimple',
  'annualizedCompounded',
  'yearOnYear',
] as const
export type GrowthKind = (typeof GROWTH_KINDS)[number]

/** What can be laid beside a result to look at it, without being part of its method. */
export type Beside =
  | { readonly kind: 'average'; readonly by: AverageKind }
  | { readonly kind: 'rolling-mean' | 'rolling-deviation'; readonly order: number }
  | { readonly kind: 'detrended'; readonly form: DetrendForm }
  | { readonly kind: 'differenced'; readonly how: Difference }
  | {
      readonly kind: 'growth'
      readonly rate: GrowthKind
      readonly on: 'value' | 'deseasonalized'
    }

/** A column beside the ledger: its row, and one figure a period of the analysed span. */
export interface BesideColumn {
  readonly row: LedgerRow
  readonly values: readonly Value[]
}

/**
 * Calculates a column that is looked at beside a result.
 *
 * @param result gives the values as used, and the deseasonalized ones
 * @throws Refusal as the calculation does: an order that is not possible, a logarithm of 0, a gap
 * @example besideColumn(result, { kind: 'growth', rate: 'yearOnYear', on: 'value' }).row.unit // '%'
 */
export function besideColumn(result: Result, beside: Beside): BesideColumn {
  const { unit, seasons } = result.series
  const { value, deseasonalized } = result.columns
  const per = onePeriod(calendarOfResult(result))
  const column = columnOf(beside)
  const level = { column, unit, offset: 0, baseline: null } as const
  switch (beside.kind) {
    case 'average': {
      const smoothed = smoothBy(value, beside.by, seasons)
      return {
        values: smoothed.values,
        row: {
          ...level,
          label: averageName(beside.by),
          means: beside.by.kind === 'off-centre' ? `between ${per}s` : 'moving average',
          component: 'trendCycle',
          offset: smoothed.offset,
        },
      }
    }
    case 'rolling-mean':
      return {
        values: trailingAverage(value, beside.order),
        row: {
          ...level,
          label: 'Rolling mean',
          means: `of the last ${beside.order}`,
          component: 'trendCycle',
        },
      }
    case 'rolling-deviation':
      return {
        values: rollingDeviation(value, beside.order),
        row: {
          ...level,
          label: 'Rolling st. dev.',
          means: `of the last ${beside.order}`,
          component: 'irregular',
        },
      }
    case 'detrended': {
      const isFactor = beside.form === 'exponential'
      return {
        values: detrend(value, beside.form).detrended,
        row: {
          ...level,
          label: 'Detrended',
          means: isFactor ? 'sales ÷ exponential' : `sales − ${DETREND_WORDS[beside.form]}`,
          unit: isFactor ? 'factor' : unit,
          component: 'deseasonalized',
          baseline: isFactor ? 1 : 0,
        },
      }
    }
    case 'differenced':
      return {
        values: difference(value, beside.how, seasons),
        row: {
          ...level,
          label: 'Difference',
          means: DIFFERENCE_WORDS[beside.how],
          component: 'deseasonalized',
          baseline: 0,
        },
      }
    case 'growth':
      return {
        values: growth(beside.on === 'value' ? value : deseasonalized, seasons)[beside.rate],
        row: {
          ...level,
          label: beside.on === 'value' ? 'Growth, sales' : 'Growth, deseas.',
          means: growthWords(beside.rate, per),
          unit: '%',
          component: beside.on === 'value' ? 'original' : 'deseasonalized',
          baseline: 0,
        },
      }
  }
}

/** A name for the column that differs between any two. */
export function columnOf(beside: Beside): LedgerRow['column'] {
  const { kind, ...more } = beside
  const words = JSON.stringify(Object.values(more)).replace(/[^\w.-]+/g, '_')
  return `beside:${kind}${words}`
}

export const DETREND_WORDS: Record<DetrendForm, string> = {
  linear: 'line',
  quadratic: 'quadratic',
  cubic: 'cubic',
  exponential: 'exponential',
}

export const DIFFERENCE_WORDS: Record<Difference, string> = {
  first: 'first difference',
  second: 'second difference',
  seasonal: 'seasonal difference',
  'seasonal-first': 'seasonal, then first',
}

/** `month on month`, `annualized ×12` … */
export function growthWords(rate: GrowthKind, per: string): string {
  return {
    periodOnPeriod: `${per} on ${per}`,
    annualizedSimple: 'annualized, multiple',
    annualizedCompounded: 'annualized, compounded',
    yearOnYear: 'year on year',
  }[rate]
}
