import type { CycleName } from '../calendar/rhythm'
import type { z } from 'zod'
import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import type { Column } from '../column/column'
import type { Expression } from '../column/expression'
import type { DecompositionDocument } from '../decompose/ways'
import type { Weights } from '../stateSpace/forms'
import type { Run } from '../column/run'
import type { WeightSection } from '../stateSpace/sections'
import type { Finding, MethodChange } from '../finding'
import type { Model } from '../model'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import type { Trend, TrendFit, TrendOptions } from '../trend/ways'
import type { TrainingSpan } from '../trend/commonOptions'
import type { NearChoices, SlowChoices } from '../trend/slowChoices'
import type { DesignColumn } from '../regression/design'
import type { Extent } from '../work/extent'
import type { Hear } from '../work/steps'
import type { Piece } from '../word'
import type { ReadersFigures } from '../words/readersFigures'
import type { TrendSaid } from '../trend/said'
import type { ReadingSeries, RegressionReadings } from './reading'
import type { Level } from './level'
import type { CommonForecast, ForecastFacts, LimitKind } from './commonOptions'
import type { RegressionReport } from '../regression/fullReport'
import type { Limits } from './limits'
import type { MemberDocument, MemberFigures, MemberMethod } from './member'
import type { PastErrors } from './pastErrors'

/** What a forecast starts from. */
export interface ForecastBasis {
  /** As the calculation uses it. */
  readonly stretch: Stretch
  /** The period of time code 1. */
  readonly start: Period
  readonly model: Model
  /** The trend through the deseasonalized series, and what it was asked to be. */
  readonly trend: Trend
  readonly trendOptions: TrendOptions
  /** Whether the decomposition has a season. */
  readonly hasSeason: boolean
  /** Time code of the last period analysed; the forecast starts at the next. */
  readonly lastT: number
  /** Degrees of freedom that the indices cost; 0 without a season. */
  readonly seasonCost: number
  /** Numbers that were estimated from the values before they came here, such as effects of the calendar. */
  readonly costBefore: number
  /** Index of the season of a time code of the forecast. */
  indexAt(t: number): number
  /** Variance of that index as a share of that of a single value; 0 without a season. */
  uncertaintyAt(t: number): number
  /** Index of every period analysed. */
  readonly index: readonly number[]
  /** What a method within this one comes to on the same stretch. @throws Refusal as that method does */
  calculateMember(member: MemberMethod): MemberFigures
  /** Hears how far a long calculation has come. */
  readonly hear?: Hear | undefined
}

/** What every forecast comes to, one entry a forecast period in every list. */
export interface CommonAhead {
  readonly by: string
  readonly t: readonly number[]
  /** Without the season: not yet a forecast; undefined where the way has none. */
  readonly deseasonalized: readonly Value[]
  readonly forecast: readonly number[]
  /** Keyed by level in per cent. */
  readonly limits: Readonly<Record<string, Limits>>
  /** What limits from past errors were made of; not there where they are the model's. */
  readonly pastErrors?: PastErrors
}

/** Numbers alone: what lies ahead, what the same gives for the past, and how to judge it when asked. */
export interface Forecasted<Ahead> {
  readonly ahead: Ahead
  /** One a period analysed; undefined where it is not fitted. */
  readonly fitted: readonly Value[]
  /** What assumptions of growth and of a season act on; null where season and level are not apart. */
  readonly level: Level | null
  /** Numbers that were estimated from the values: what a method costs in simplicity. */
  readonly estimated: number
  /** Whether errors are shares of the level rather than amounts. */
  readonly inProportion: boolean
  /** The report of a regression of its own; null where the trend's is all there is. */
  report(): RegressionReport | null
  /** How sharply weights were chosen, made when it is asked for; only of a way that has weights. */
  readonly sections?: () => readonly WeightSection[]
}

/** What the columns of a forecast are made from, beside the ledger they stand in. */
export interface ForecastParts<Options, Ahead> {
  readonly options: Options
  readonly ahead: Ahead
  readonly calendar: Calendar
  readonly trendOptions: TrendOptions
  readonly trendFit: TrendFit
  /** Columns of a least-squares trend beside the constant. */
  readonly trendDesign: readonly DesignColumn[]
  readonly seasonCost: number
  readonly costBefore: number
  readonly report: RegressionReport | null
}

/** What the words of a forecast must know of its series. */
export interface ForecastTold {
  readonly calendar: Calendar
  readonly trend: TrendOptions
}

/** A way of forecasting: `Document` is its part of a method document, `Options` the same complete, `Ahead` what it finds. */
export interface ForecastWay<Document, Options extends CommonForecast, Ahead> {
  readonly name: string
  /** Which forecasts its choices belong to, in a refusal: `by regression`. */
  readonly home: string
  /** How it is said in the sentence, and what it means. */
  readonly says: { readonly text: string; readonly means: string }
  /** Whether it goes on with the trend through the deseasonalized series. */
  readonly extendsTrend: boolean
  /** Whether it fits the trend itself, so that the trend must have columns of time. */
  readonly fitsTrend: boolean
  /** Whether it follows a level and slope of its own, so that the trend of the decomposition says nothing of it. */
  readonly hasOwnTrend: boolean
  /**
   * About how many multiplications it takes.
   *
   * @param ofMember the same of a method within this one
   */
  steps(options: Options, extent: Extent, ofMember: (member: MemberMethod) => number): number
  /** What its limits can be made of, the default first. */
  readonly limits: readonly LimitKind[]
  /** Whether it needs no method: what any other must beat to be worth its trouble. */
  readonly isBenchmark: boolean
  readonly document: z.ZodObject & z.ZodType<Document>
  /** Fills in the defaults. @throws Refusal for a choice that makes no sense, with its path */
  complete(document: Document, facts: ForecastFacts): Options
  /** The same for a shorter span: what lies outside it is left behind. */
  within(
    document: Document,
    span: TrainingSpan,
    memberWithin: (member: MemberDocument) => MemberDocument,
  ): Document
  /** Choices that take so long that the tries of a check keep them as they were made at the first; most ways have none. */
  readonly slowChoices?: SlowChoices<Options, Ahead, Document>
  /** Left out by a way that finds its own at once, or whose slow choices say it already. */
  readonly nearChoices?: NearChoices<Ahead, Document>
  /** What carries a series on by itself, with nothing to choose between; left out by a way that nobody asks for that. */
  carriesOn?(model: Model): Document
  /** What it is made of: other methods, which cannot be made of others in turn; most ways have none. */
  readonly members?: {
    /** Those of a document, the usual ones where it names none. */
    of(document: Document, decompose: DecompositionDocument): readonly MemberDocument[]
    /** A document, or a part of one, with these. */
    are(members: readonly MemberDocument[]): Document
    /** What each of them came to. */
    found(ahead: Ahead): readonly Pick<MemberFigures, 'name' | 'forecast'>[]
    /** How they become one: `the mean of 2 methods`. */
    words(options: Options): string
  }
  /** Everything as it was found but the weights, which a hand holds; only of a way that has weights. */
  withWeights?(ahead: Ahead, weights: Weights): Partial<Document>
  /** The index of each forecast period; only of a way that puts indices back. */
  indexAhead?(ahead: Ahead): readonly number[]
  /** By what such forecasts are chosen among each other; null where it compares with nothing, left out by a way without it. */
  criterion?(ahead: Ahead): Criterion | null
  /** What is said of its own model where it is drawn, and in the path; left out by a way that has none. */
  said?(ahead: Ahead, report: RegressionReport | null, says: ReadersFigures): TrendSaid
  /** What each thing that happened adds, by its name; only of a way that knows of such. */
  events?(report: RegressionReport | null): ReadonlyMap<string, number>
  /** Durbin–Watson of what its own model leaves, on the scale it was fitted on; left out by a way whose residuals are those of its fitted values. */
  likeness?(report: RegressionReport | null): Value
  /** Its coefficients in words; only of a way that has such. */
  readings?(
    options: Options,
    report: RegressionReport | null,
    told: ReadingSeries,
  ): RegressionReadings
  /** Numbers alone. @throws Refusal for a stretch that it cannot be fitted to */
  forecast(basis: ForecastBasis, options: Options): Forecasted<Ahead>
  /** Its columns of the ledger, fitted values first. */
  columns(run: Run, parts: ForecastParts<Options, Ahead>): Column[]
  /** The arithmetic of its level in the last period known, which growth begins at; left out where level and season are never apart. */
  levelAtOrigin?(run: Run, parts: ForecastParts<Options, Ahead>): Expression
  /** Its own words of the sentence, behind its name. */
  words(options: Options, told: ForecastTold): Piece[]
  /** A method of this way in a few words. */
  label(options: Options, told: LabelTold): string
  /** Its lines of the contest, those that the series admits. */
  candidates(facts: CandidateFacts): MethodChange[]
  /** What the reader of its figures must know. */
  findings(stretch: Stretch, ahead: Ahead, judged: JudgedForecast, options: Options): Finding[]
}

/** AICc, and of what: only figures of the same thing compare. */
export interface Criterion {
  /** `the smoothing`, `ARIMA with d = 1, D = 1` */
  readonly of: string
  readonly aicc: Value
}

/** What the few words for a method are made of. */
export interface LabelTold {
  readonly decomposition: string
  readonly trend: string
  /** One turn of the seasons. */
  readonly cycle: CycleName
  /** The few words for a method within this one. */
  nameOf(member: MemberMethod): string
}

/** What a candidate of the contest must know of the series. */
export interface CandidateFacts {
  readonly seasons: number
  /** Periods of the analysed span. */
  readonly periods: number
  /** The model to take: as advised, else the default. */
  readonly model: Model
  /** Decompositions that take part, each as a part of a method document; the default one first. */
  readonly decompositions: readonly MethodChange[]
}

/** What a forecast's own findings are made of. */
export interface JudgedForecast {
  readonly seasonCost: number
  readonly costBefore: number
  readonly report: RegressionReport | null
  readonly unit: string
}
