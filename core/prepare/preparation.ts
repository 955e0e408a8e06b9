import type { z } from 'zod'
import type { Column } from '../column/column'
import type { Expression } from '../column/expression'
import type { Input, SeriesRun } from '../column/run'
import type { Model } from '../model'
import type { DesignColumn } from '../regression/design'
import type { Series, Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import type { Piece } from '../word'
import type { SlowChoices } from '../trend/slowChoices'
import type { Extent } from '../work/extent'
import type { Hear } from '../work/steps'

/** What a preparation may know. */
export interface PreparationBasis {
  /** The whole series as it came in. */
  readonly series: Series
  /** The analysed part of it, as the preparations before have left it. */
  readonly stretch: Stretch
  readonly model: Model
  /** Time code of the last period that a forecast is made for. */
  readonly endT: number
  /** Time codes that are left out of the season: what happened then is no rule. */
  readonly leftOut: ReadonlySet<number>
  /** Columns of season and trend, which what is estimated is estimated beside. */
  beside(): readonly DesignColumn[]
  /** The index of every entry of a stretch by the decomposition of the method; null where there is none to ask. */
  indexOf(stretch: Stretch): readonly number[] | null
  /** Hears how far a long choice has come. */
  readonly hear?: Hear | undefined
}

/**
 * Something that is done to the values before anything is calculated with them.
 *
 * It is estimated anew wherever a method is carried out, so that a check sees at each origin what was known then. `Choice` is
 * its part of the method with the default filled in, `Taken` what it finds.
 */
export interface Preparation<Choice, Taken> {
  /** Its key of the method document. */
  readonly key: string
  /** The choice as a method writes it; null where it is the series that says what is to be done. */
  readonly document: z.ZodType<Choice> | null
  /** The choice that is taken when none is named; null asks for nothing, and is not said in a method. */
  readonly usual: Choice
  /**
   * @returns null where there is nothing to do
   * @throws Refusal for what cannot be done to these values
   */
  estimate(basis: PreparationBasis, choice: Choice): Taken | null
  /** About how many multiplications that takes; left out where it takes next to nothing. */
  steps?(choice: Choice, extent: Extent): number
  /** What of a choice takes so long that a check keeps it as it was made first; null where nothing does. */
  slowChoices?(
    choice: Choice,
  ): SlowChoices<NonNullable<Choice>, Taken, Partial<NonNullable<Choice>>> | null
  /** The values as it leaves them, one entry a period. */
  leave(values: readonly Value[], taken: Taken, firstT: number): Value[]
  /** How what was taken out comes back; null for what is put in, and from then on stands for what came in. */
  readonly back: PuttingBack<Taken> | null
  /** Its words of the sentence, behind what is analysed; none where there is nothing to say. */
  words(choice: Choice, series: Series): Piece[]
}

/** How what a preparation took out comes back, in the past and ahead. */
export interface PuttingBack<Taken> {
  /** A value at a time code, with what was taken out in it again. */
  value(value: number, t: number, taken: Taken): number
  arithmetic(run: SeriesRun, value: Expression, t: number, taken: Taken): Expression
  /** Numbers that were estimated from the values for it: what it costs in degrees of freedom. */
  cost(taken: Taken): number
  /**
   * The standard error that it adds to a forecast, in units of the series; left out where it is known for sure.
   *
   * @param whole the forecast, with it
   */
  error?(t: number, taken: Taken, whole: number): number
  errorArithmetic?(run: SeriesRun, whole: Expression, t: number, taken: Taken): Expression
  /**
   * Its columns of the ledger, the values as it leaves them the last of them.
   *
   * @param of what it was done to
   * @param beside columns of season and trend that it was estimated beside
   */
  columns(run: SeriesRun, taken: Taken, of: Input, beside: readonly DesignColumn[]): Column[]
}
