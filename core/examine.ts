import { seasonLabel } from './calendar/labels'
import { axisOf } from './calendar/axis'
import { basisAfter, carryOn, type Figures } from './calculate'
import { errorFigures, naiveScale, type ErrorFigures } from './check/errorFigures'
import { without } from './decompose/parts'
import { defaultWay, wayOf } from './decompose/ways'
import type { WeightSection } from './stateSpace/sections'
import { examineTrend, straightTrendOf, type ExaminedTrend } from './examineTrend'
import { calendarLeft, type EffectLeft } from './prepare/calendar/left'
import { examineLeftover, type Leftover } from './leftover/leftover'
import { orNull } from './refusal'
import { outOfTheOrdinary, type Outlier, type OutOfTheOrdinary } from './outliers/outliers'
import type { MethodChange } from './finding'
import type { Model } from './model'
import { adviseModel, type AdvisedModel } from './seasonality/advisedModel'
import { testSeason, type SeasonTests } from './seasonality/seasonTests'
import { strengthsOf, type Strength } from './seasonality/strength'
import { whichModel, type WhichModel } from './seasonality/whichModel'
import type { Value } from './series/series'
import { centredAverage } from './smoothing/movingAverage'
import { readIndex } from './words/reading'

/** One season's index and how it reads. */
export interface SeasonRow {
  /** 1..m */
  readonly season: number
  readonly label: string
  /** Values behind the index; null for one that is given. */
  readonly count: number | null
  /** Before adjustment; by loess, the mean over the years. */
  readonly raw: number
  /** By loess, that of the last year, which the forecast repeats. */
  readonly index: number
  readonly uncertainty: number
  /** The same without the first, and without the last, year; undefined when too little is left. */
  readonly withoutFirst: Value
  readonly withoutLast: Value
  /** Standard error of the average over the years; undefined for fewer than two values, and by loess. */
  readonly standardError: Value
  /** `32% above the baseline`, `430 litres below the baseline`. */
  readonly reading: string
}

/** Strength of trend and season, from 0 to 1. */
export interface Strengths extends Strength {
  /** The same without outliers, and periods that a robust fit gave no weight; null where there are none. */
  readonly withoutDistrusted: Strength | null
}

/** An outlier at its period. */
export interface OutlierAt extends Omit<Outlier, 'at'> {
  readonly t: number
}

/** A step of the level: the first period of the new one, and by how much. */
export interface StepAt {
  readonly t: number
  /** A share of the level before (multiplicative), or an amount. */
  readonly size: number
  /** In units of the series. */
  readonly amount: number
  readonly model: Model
}

/** What can be judged of the figures of a method, without a word said yet. */
export interface Examined extends ExaminedTrend {
  /** Season 1 first; none for a series without a season. */
  readonly seasons: readonly SeasonRow[]
  readonly strength: Strengths
  /** null for a series without a season. */
  readonly seasonTests: SeasonTests | null
  /** Which model has the more even swing; null for too short a series, and without a season. */
  readonly whichModel: WhichModel | null
  /** The model to advise; null without a season, with a value not above 0, or with too few full years. */
  readonly advisedModel: AdvisedModel | null
  /** Values that trend and season do not explain, in the order of time; they take no part in what follows. */
  readonly outliers: readonly OutlierAt[]
  /** Where the level jumps, if it does. */
  readonly step: StepAt | null
  readonly leftover: Leftover
  /** Whether what is left over stops waving under the model that is advised in place of the one in use. */
  readonly modelMends: boolean
  /** A season that the tests find and a method without one leaves: the lag it comes back at, and what takes it out. */
  readonly seasonLeft: { readonly lag: number; readonly change: MethodChange } | null
  /** Of a forecast by smoothing: how the criterion moves along each weight. */
  readonly weightSections: readonly WeightSection[] | null
  readonly accuracy: { readonly fitted: ErrorFigures }
  /** Effects of the calendar that the values follow, before anything of it was taken out, or still after that. */
  readonly calendarLeft: readonly EffectLeft[]
}

/** What of the calendar is left and how sharply weights were chosen take long, and tell nothing of which method to begin with. */
export type ExaminedSoon = Omit<Examined, 'calendarLeft' | 'weightSections'>

/**
 * Tests, strengths, the leftover, how steady the indices are, the trend report and error figures.
 *
 * @param figures as they were calculated
 * @param straight the line through all that is judged
 */
export function examine(figures: Figures, straight = straightTrendOf(figures)): Examined {
  const ordinary = ordinaryOf(figures)
  const soon = examineSoon(figures, straight, ordinary)
  return {
    ...soon,
    weightSections: figures.sections(),
    calendarLeft: soon.leftover.isNothing ? [] : leftOfCalendar(figures, ordinary),
  }
}

/** The same without what takes long. */
export function examineSoon(
  figures: Figures,
  straight = straightTrendOf(figures),
  ordinary = ordinaryOf(figures),
): ExaminedSoon {
  const { prepared, decomposed, method, columns, firstT, leftOut } = figures
  const stretch = prepared.input
  const { model } = method.decompose
  const { values } = prepared.used
  const weights = wayOf(method.decompose.by).weights(decomposed.taken)
  const { season } = decomposed
  const counts = (i: number) =>
    !leftOut.has(firstT + i) && weights?.[i] !== 0 && !ordinary.isOutlier(i)
  const { seasons } = stretch.calendar
  // A season smoothed by loess fits noise; so seasons are tested on the ratios to a moving average.
  const tested = seasons > 1 ? testsOf(figures, ordinary) : null
  const tests = season && tested

  const advisedModel = tests?.found ? adviseModel(ordinary.replaced, seasons) : null
  const leftover = examineLeftover(
    stretch,
    decomposed.irregular,
    counts,
    season !== null,
    model === 'multiplicative' ? 1 : largestOf(stretch.values),
  )
  return {
    seasons: seasonRows(figures, leftover.isNothing),
    strength: leftover.isNothing ? NO_STRENGTHS : strengthOf(figures, weights, ordinary),
    ...examineTrend(figures, ordinary, advisedModel, straight),
    seasonTests: tests,
    whichModel: season && compareModels(figures),
    advisedModel,
    outliers: ordinary.outliers.map(({ at, ...outlier }) => ({ ...outlier, t: firstT + at })),
    step: stepAt(ordinary.step, firstT),
    leftover,
    modelMends: leftover.waves !== null && modelMends(figures, advisedModel, counts),
    seasonLeft:
      !season && tested?.found
        ? { lag: seasons, change: { decompose: { by: defaultWay(stretch.calendar) } } }
        : null,
    accuracy: {
      fitted: errorFigures(
        values,
        columns.fitted,
        naiveScale(values, season ? stretch.calendar.seasons : 1),
      ),
    },
  }
}

function leftOfCalendar(figures: Figures, { outliers }: OutOfTheOrdinary): readonly EffectLeft[] {
  return calendarLeft(basisAfter(figures), new Set(outliers.map(({ at }) => figures.firstT + at)))
}

/** Whether the other model, where it is advised, leaves no wave: only then is the wave the model's. */
function modelMends(
  { method, prepared, leftOut }: Figures,
  advised: AdvisedModel | null,
  counts: (entry: number) => boolean,
): boolean {
  const { decompose } = method
  if (!advised || advised.close || advised.better === decompose.model) return false
  const other = { ...decompose, model: advised.better }
  const decomposed = orNull(() =>
    wayOf(decompose.by).decompose(prepared.input, other, leftOut, carryOn),
  )
  return (
    decomposed !== null &&
    examineLeftover(prepared.input, decomposed.irregular, counts).waves === null
  )
}

/** Where nothing is left over a share of it is a share of rounding. */
const NO_STRENGTHS: Strengths = { trend: null, season: null, withoutDistrusted: null }

/** Tests of the season on the ratios to a moving average, outliers and what is left out aside. */
function testsOf(
  { prepared, method, decomposed, firstT, leftOut }: Figures,
  { replaced, isOutlier }: OutOfTheOrdinary,
): SeasonTests {
  const { input } = prepared
  const { model, by } = method.decompose
  const { seasons } = input.calendar
  const own = wayOf(by).withoutOther?.(replaced, decomposed.taken, model, seasons) ?? replaced
  const ratios = without(own, centredAverage(own, seasons), model)
  return testSeason(input, ratios, (i) => !leftOut.has(firstT + i) && !isOutlier(i), model)
}

/** Outliers and a step, searched around the average that the method smooths by, a year where it has a season. */
function ordinaryOf({ prepared, method, decomposed, series }: Figures): OutOfTheOrdinary {
  const { values, seasonOf, calendar, firstT } = prepared.input
  const { decompose } = method
  const own = wayOf(decompose.by).average(decompose, series.calendar)
  const order = decomposed.season || own?.kind !== 'centred' ? calendar.seasons : own.order
  const half = Math.floor(order / 2)
  const searched = { values, order, seasonOf: decomposed.season ? seasonOf : values.map(() => 1) }
  const filled = new Set(prepared.filled.map(({ t }) => t - firstT))
  return outOfTheOrdinary(searched, decompose.model, half, (entry) => !filled.has(entry))
}

function stepAt(step: OutOfTheOrdinary['step'], firstT: number): StepAt | null {
  return step && { t: firstT + step.at, size: step.size, amount: step.amount, model: step.model }
}

function largestOf(values: readonly Value[]): number {
  return values.reduce<number>((most, value) => Math.max(most, Math.abs(value ?? 0)), 0)
}

/** Each season's index with its spread over the years, how it hangs on either end, and its reading. */
function seasonRows(
  { prepared, decomposed, method, series, leftOut }: Figures,
  isExact: boolean,
): SeasonRow[] {
  const { season } = decomposed
  if (!season) return []
  const stretch = prepared.input
  const { decompose } = method
  const stability = wayOf(decompose.by).stability(stretch, decompose, leftOut, decomposed, carryOn)
  return season.indices.map((row, k) => ({
    ...row,
    label: seasonLabel(row.season, stretch.calendar),
    withoutFirst: isExact ? null : (stability?.withoutFirst?.[k] ?? null),
    withoutLast: isExact ? null : (stability?.withoutLast?.[k] ?? null),
    standardError: stability?.standardErrors[k] ?? null,
    reading: readIndex(row.index, decompose.model, series.unit),
  }))
}

/** Strengths over the periods that have an irregular and are not left out; then without what is not believed. */
function strengthOf(
  { decomposed, method, leftOut, firstT }: Figures,
  weights: readonly number[] | null,
  { isOutlier }: OutOfTheOrdinary,
): Strengths {
  const { trendCycle, index, irregular, season } = decomposed
  const kept = irregular.map((value, i) => (leftOut.has(firstT + i) ? null : value))
  const over = (remainder: readonly Value[]): Strength => {
    const parts = { trend: trendCycle, seasonal: index, remainder }
    const both = strengthsOf(method.decompose.model, parts)
    return season ? both : { ...both, season: null }
  }
  const believed = kept.map((value, i) => (weights?.[i] === 0 || isOutlier(i) ? null : value))
  const distrusts = believed.some((value, i) => value !== kept[i])
  return { ...over(kept), withoutDistrusted: distrusts ? over(believed) : null }
}

/** Which model fits; null where the comparison needs more full years than there are. */
function compareModels({ prepared, series, firstT }: Figures): WhichModel | null {
  const { periodAt, calendar } = axisOf(series)
  const axis = axisOf({ calendar, start: periodAt(firstT) })
  return orNull(() => whichModel(prepared.input.values, axis))
}
