import type { AverageKind } from '../smoothing/averageKinds'
import type { Value } from '../series/series'
import type { Difference } from '../stationarity/difference'
import type { LaidParts } from './parts'
import type { Rest } from './rest'
import type { Tried } from './tried'
import { TREND_FORMS } from '../trend/forms'
import type { DetrendForm } from '../trend/leastSquares/forms'

export const GROWTH_KINDS = [
  'periodOnPeriod',
  'annualizedSimple',
  'annualizedCompounded',
  'yearOnYear',
] as const
export type GrowthKind = (typeof GROWTH_KINDS)[number]

/** A kept forecast laid on the time axis of a series, one entry a period in both lists. */
export interface LaidForecast {
  readonly id: string
  readonly name: string
  /** Time code of its first period. */
  readonly from: number
  readonly forecast: readonly number[]
  readonly actual: readonly Value[]
}

/** What can be laid beside a result to look at it, without being part of its method. */
export type Beside =
  | { readonly kind: 'average'; readonly by: AverageKind }
  /** The series on another scale, without a trend or as differences; and the trend that was taken out. */
  | { readonly kind: 'rest' | 'taken-out'; readonly of: Rest }
  | {
      readonly kind: 'rolling-mean' | 'rolling-deviation'
      readonly order: number
      readonly of: Rest
    }
  | {
      readonly kind: 'growth'
      readonly rate: GrowthKind
      readonly on: 'value' | 'deseasonalized'
    }
  /** A forecast as it would have been made at an earlier origin, or by how much it was off. */
  | { readonly kind: 'tried' | 'tried-error'; readonly tried: Tried }
  /** What came after a span that ends early, one entry a forecast period, or by how much the forecast was off. */
  | { readonly kind: 'came' | 'came-error'; readonly came: readonly Value[] }
  /** A whole without its season, the sum of its parts without theirs, and what lies between. */
  | { readonly kind: 'whole' | 'parts' | 'parts-difference'; readonly laid: LaidParts }
  /** A forecast that was kept, or by how much it was off. */
  | { readonly kind: 'kept' | 'kept-error'; readonly kept: LaidForecast }

/** The rows of a forecast from an earlier origin, whatever that is. */
export const TRIED_COLUMNS: readonly string[] = ['beside:tried', 'beside:tried-error']

/** A name for its column that differs between any two. */
export function besideName({ kind, ...more }: Beside): string {
  if ('kept' in more) return `beside:${kind} ${more.kept.id}`
  // Whatever its origin: moved to another one, the row stays where it is.
  if ('tried' in more || 'came' in more || 'laid' in more) return `beside:${kind}`
  return `beside:${kind}${JSON.stringify(Object.values(more)).replace(/[^\w.-]+/g, '_')}`
}

/** What each trend is called when it is taken out. */
export function detrendWords(form: DetrendForm): string {
  return TREND_FORMS[form].words
}

export const DIFFERENCE_WORDS: Record<Difference, string> = {
  first: 'first difference',
  second: 'second difference',
  third: 'third difference',
  seasonal: 'seasonal difference',
  'seasonal-first': 'seasonal, then first',
}

/** `month on month`, `annualized ×12` … */
export function growthWords(rate: GrowthKind, per: string, cycle: string): string {
  return {
    periodOnPeriod: `${per} on ${per}`,
    annualizedSimple: 'annualized, multiple',
    annualizedCompounded: 'annualized, compounded',
    yearOnYear: `${cycle} on ${cycle}`,
  }[rate]
}

/** The growth rates that differ: of a yearly series all say the same. */
export function growthKinds(seasons: number): readonly GrowthKind[] {
  return seasons > 1 ? GROWTH_KINDS : ['yearOnYear']
}
