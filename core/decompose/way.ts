import type { z } from 'zod'
import type { Model } from '../model'
import type { Calendar } from '../calendar/calendar'
import type { Column } from '../column/column'
import type { Expression } from '../column/expression'
import type { Run } from '../column/run'
import type { Finding } from '../finding'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import type { AverageKind } from '../smoothing/averageKinds'
import type { Piece } from '../word'
import type { Extent } from '../work/extent'
import type { Carrier, CarryOn } from './carryOn'
import type { CommonOptions, Facts } from './commonOptions'
import type { Decomposed, SeasonalIndex } from './parts'

/** What the rest of the house must know of a way, asked as a property and never by its name. */
export interface Traits {
  readonly hasSeason: boolean
  /** Whether an index may differ from year to year. */
  readonly seasonMayChange: boolean
  /** Whether the trend-cycle is a straight line, which has no cycle. */
  readonly trendIsLine: boolean
  /** Whether values are compared with a level that moves in time; else a trend is left in the indices. */
  readonly followsLevel: boolean
}

/** How much the indices hang on single values; season 1 first in every list. */
export interface Stability {
  /** The indices without the first, and without the last, year; null when too little is left. */
  readonly withoutFirst: readonly number[] | null
  readonly withoutLast: readonly number[] | null
  /** Standard error of each average over the years; undefined where an index is no average. */
  readonly standardErrors: readonly Value[]
}

/** How the index of one season came about, step by step, before the index itself. */
export interface IndexStep {
  readonly what: string
  readonly value: number
}

/** How indices are summed up. */
export interface IndicesSaid {
  /** What the raw ones are: `median`, `given`, `mean of the years`. */
  readonly raw: string
  /** Whether they rest on the years, so that one may be left out of them. */
  readonly restOnYears: boolean
  /** Whether they are averages, which have a standard error. */
  readonly areAverages: boolean
  /** Which year's index a forecast takes, where it may change: `of the last year`; empty where all years have the same. */
  readonly ofYear: string
  /** What becomes of an index that may change, in a sentence; empty likewise. */
  readonly ahead: string
}

/** Keys of a result document that belong to one way. */
export interface OwnKeys {
  readonly rawIndexMean: number
  readonly lastPass: unknown
  /** The line through the series itself. */
  readonly trendOfOriginal: { readonly intercept: number; readonly slope: number }
  /** The mean of the season averages. */
  readonly overallMean: number
}

/** What a decomposition's columns may know. */
export interface DecompositionRun<Options, Taken> extends Run {
  readonly options: Options
  readonly taken: Taken
}

/**
 * A way of taking a series apart.
 *
 * `Document` is its part of the method document, `Options` the same with every default filled in, `Taken`
 * what only this way finds; both bear its name as `by`.
 */
export interface DecompositionWay<Document, Options extends CommonOptions, Taken> {
  readonly name: Options['by']
  /** Which decompositions its choices belong to, in a refusal: `by robust loess`. */
  readonly home: string
  readonly document: z.ZodObject & z.ZodType<Document>
  readonly traits: Traits
  /** Whether it takes series of a calendar apart; of every one when left out. */
  takes?(calendar: Pick<Calendar, 'seasons' | 'frequency'>): boolean
  /** About how many multiplications it takes. */
  steps(options: Options, extent: Extent): number

  /** Fills in the defaults. @throws Refusal for a choice that makes no sense, with its path */
  complete(document: Document, facts: Facts): Options
  /**
   * Takes a stretch apart: numbers alone.
   *
   * @param leftOut time codes that are left out of the season
   * @param carryOn asked by a way that wants values behind the last
   * @throws Refusal for a stretch that it cannot take apart
   */
  decompose(
    stretch: Stretch,
    options: Options,
    leftOut: ReadonlySet<number>,
    carryOn: CarryOn,
  ): Decomposed<Taken>
  /** What carries a series on for it, so that its cost can be told; left out by a way that asks for nothing. */
  carriedOnBy?(options: Options): Carrier | null
  /** How far each period is believed, 0 for not at all; null when all are. */
  weights(taken: Taken): readonly number[] | null
  /** What stands in for a seasonal-irregular that is not believed in full; left out by a way that only weighs it less. */
  inPlace?(taken: Taken): readonly Value[]
  /**
   * The values without what it finds beside the season of the calendar; left out by a way that finds nothing else.
   *
   * @param own seasons of the calendar
   */
  withoutOther?(values: readonly Value[], taken: Taken, model: Model, own: number): Value[]
  stability(
    stretch: Stretch,
    options: Options,
    leftOut: ReadonlySet<number>,
    decomposed: Decomposed<Taken>,
    carryOn: CarryOn,
  ): Stability | null

  /** Its columns of the ledger, in the order of the work. */
  columns(run: DecompositionRun<Options, Taken>): Column[]
  /** The arithmetic of how far the index of a forecast period may be off, as a multiple of the variance of a value; left out where no formula has it. */
  uncertainty?(run: DecompositionRun<Options, Taken>): ((t: number) => Expression) | null
  /**
   * What it found out, or did, that the reader of its figures must know.
   *
   * @param hasSeason whether the tests find one
   */
  findings(
    stretch: Stretch,
    options: Options,
    decomposed: Decomposed<Taken>,
    hasSeason: boolean,
  ): Finding[]
  /** Whether it takes part in a contest of methods without being asked to. */
  entersContest(calendar: Pick<Calendar, 'seasons'>): boolean
  /** What to try when the leftover still waves: from period to period, or with the season. */
  advice(waves: 'slowly' | 'with the season'): string

  /** How it is said in the sentence, and what it means: `, by`, `ratio to a 2×12 moving average`. */
  says(
    calendar: Calendar,
    model: Model,
  ): { readonly lead: string; readonly text: string; readonly means: string }
  /** What tells a method of this way from its usual one, in its short name: `by median`; nothing where nothing does. */
  distinguishes?(options: Options): string
  /** Its own words of the sentence, behind that. */
  words(options: Options, calendar: Calendar): Piece[]
  /** What Smooth came to, in a few words. */
  smooths(options: Options, calendar: Calendar): string
  /** The moving average it works with, if it does. */
  average(options: Options, calendar: Calendar): AverageKind | null
  /** Why there is nothing to see of a season; null where there is one. */
  whyNoSeason(calendar: Calendar): string | null
  /** How its indices are summed up; null where there are none. */
  indices(options: Options): IndicesSaid | null
  /** What the raw indices were adjusted by; left out by a way that does not. */
  adjusted?(
    options: Options,
    taken: Taken,
  ): { readonly mean: number; readonly isAdjusted: boolean } | null
  /** What it found, by the keys that it has at the top of a result document. */
  ownKeys(taken: Taken): Partial<OwnKeys>
  /** How the index of a season came about. */
  indexSteps(options: Options, taken: Taken, index: SeasonalIndex, calendar: Calendar): IndexStep[]
}
