import type { Benchmark } from '../forecast/benchmarks'
import type { Off, Verdict } from '../check/verdict'
import type { MethodDocument } from '../method'
import type { Value } from '../series/series'
import type { Attention } from './attention'

/** One series of a catalogue in a line: what its method comes to, and why somebody should look at it. Plain data. */
export interface CatalogueRow {
  readonly name: string
  readonly unit: string
  /** The method in a few words; null where it is refused. */
  readonly method: string | null
  /** Why nothing could be forecast; null where it could. */
  readonly refused: string | null
  /** How far such forecasts were off, over so many origins; null where the series is too short to tell. */
  readonly off: Off | null
  readonly origins: number
  /** The nearest of what needs no method, and whether the method is nearer. */
  readonly benchmark: {
    readonly which: Benchmark
    /** `repeating last year` */
    readonly says: string
    readonly off: Off
  } | null
  readonly against: Verdict['against']
  /** Share of what came that the widest limits held, from 0 to 1, and their level in per cent. */
  readonly held: { readonly level: number; readonly share: number } | null
  /** Strength of trend and season, from 0 to 1. */
  readonly strength: { readonly trend: Value; readonly season: Value }
  readonly outliers: number
  /** The forecast over its horizon against as many periods before it: sums, or means of what does not add up. */
  readonly ahead: {
    readonly forecast: number
    readonly before: Value
    readonly change: Value
  } | null
  /** The most urgent first; none where nobody need look. */
  readonly attention: readonly Attention[]
}

/** The forecast of a series, period by period. */
export interface CatalogueForecast {
  /** Period codes. */
  readonly period: readonly string[]
  readonly forecast: readonly number[]
  /** Keyed by level. */
  readonly limits: Readonly<
    Record<string, { readonly lower: readonly Value[]; readonly upper: readonly Value[] }>
  >
}

/** A series of a catalogue as it was worked through. */
export interface Catalogued {
  readonly row: CatalogueRow
  /** What was carried out, or refused. */
  readonly method: MethodDocument
  /** Why it is this one: clauses of the rule, or the outcome of the contest. */
  readonly because: readonly string[]
  readonly forecast: CatalogueForecast | null
}
