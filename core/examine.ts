import { seasonLabel } from './calendar/labels'
import { periodAt } from './calendar/period'
import type { Figures } from './calculate'
import { errorFigures, naiveScale, type ErrorFigures } from './check/errorFigures'
import { wayOf } from './decompose/ways'
import { examineLeftover, type Leftover } from './leftover/leftover'
import { Refusal } from './refusal'
import { testSeason, type SeasonTests } from './seasonality/seasonTests'
import { strengthsOf, type Strength } from './seasonality/strength'
import { whichModel, type WhichModel } from './seasonality/whichModel'
import type { Value } from './series/series'
import type { StraightLine } from './trend/columns'
import { fitTrend, trendLine, type TrendLine } from './trend/fit'
import { reportTrend, type TrendFit } from './trend/report'
import { readIndex } from './words/reading'

/** One season's index and how it reads. */
export interface SeasonRow {
  /** 1..m */
  readonly season: number
  readonly label: string
  /** Values behind the index. */
  readonly count: number
  /** Before adjustment; by loess, the mean over the years. */
  readonly raw: number
  /** By loess, that of the last year, which the forecast repeats. */
  readonly index: number
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
  /** The same without the periods that a robust fit gave no weight; null when it believed them all. */
  readonly withoutDistrusted: Strength | null
}

/** What can be judged of the figures of a method, without a word said yet. */
export interface Examined {
  /** Season 1 first; none for a series without a season. */
  readonly seasons: readonly SeasonRow[]
  readonly strength: Strengths
  /** null for a series without a season. */
  readonly seasonTests: SeasonTests | null
  /** Which model has the more even swing; null for too short a series, and without a season. */
  readonly whichModel: WhichModel | null
  readonly leftover: Leftover
  /** The line through the deseasonalized series, all periods of the span; the cycle is read against it. */
  readonly straightTrend: StraightLine
  /** Whether that line rises or falls, and by how much its slope may be off. */
  readonly straight: TrendLine
  readonly trendFit: TrendFit
  readonly accuracy: { readonly fitted: ErrorFigures }
}

/**
 * Tests, strengths, the leftover, how steady the indices are, the trend report and error figures.
 *
 * @param figures as they were calculated
 */
export function examine(figures: Figures): Examined {
  const { prepared, decomposed, method, columns, trend, firstT, lastT, leftOut } = figures
  const stretch = prepared.used
  const { model } = method.decompose
  const { values } = stretch
  const weights = wayOf(method.decompose.by).weights(decomposed.taken)
  const counts = (i: number) => !leftOut.has(firstT + i) && weights?.[i] !== 0
  const { season } = decomposed

  const isWholeLine = method.trend.last === undefined
  const straight = isWholeLine
    ? { ...trend, intercept: trend.fit.coefficients[0]!, slope: trend.fit.coefficients[1]! }
    : trendLine(decomposed.deseasonalized, firstT)
  const before = fitTrend(values, firstT, trend.columns, method.trend.last)
  return {
    seasons: seasonRows(figures),
    strength: strengthOf(figures, weights),
    seasonTests: season && testSeason(stretch, season.seasonalIrregular, counts, model),
    whichModel: season && compareModels(figures),
    leftover: examineLeftover(stretch, decomposed.irregular, counts, season !== null),
    straightTrend: { intercept: straight.intercept, slope: straight.slope },
    straight,
    trendFit: reportTrend(trend, lastT, before, season !== null),
    accuracy: {
      fitted: errorFigures(
        values,
        columns.fitted,
        naiveScale(values, season ? stretch.calendar.seasons : 1),
      ),
    },
  }
}

/** Each season's index with its spread over the years, how it hangs on either end, and its reading. */
function seasonRows({ prepared, decomposed, method, series, leftOut }: Figures): SeasonRow[] {
  const { season } = decomposed
  if (!season) return []
  const stretch = prepared.used
  const { decompose } = method
  const stability = wayOf(decompose.by).stability(stretch, decompose, leftOut, decomposed)
  return season.indices.map((row, k) => ({
    ...row,
    label: seasonLabel(row.season, stretch.calendar),
    withoutFirst: stability?.withoutFirst?.[k] ?? null,
    withoutLast: stability?.withoutLast?.[k] ?? null,
    standardError: stability?.standardErrors[k] ?? null,
    reading: readIndex(row.index, decompose.model, series.unit),
  }))
}

/** Strengths over the periods that have an irregular and are not left out. */
function strengthOf(
  { decomposed, method, leftOut, firstT }: Figures,
  weights: readonly number[] | null,
): Strengths {
  const { trendCycle, index, irregular, season } = decomposed
  const kept = irregular.map((value, i) => (leftOut.has(firstT + i) ? null : value))
  const over = (remainder: readonly Value[]): Strength => {
    const parts = { trend: trendCycle, seasonal: index, remainder }
    const both = strengthsOf(method.decompose.model, parts)
    return season ? both : { ...both, season: null }
  }
  const believed = weights && kept.map((value, i) => (weights[i] === 0 ? null : value))
  const distrusts = believed?.some((value, i) => value !== kept[i]) ?? false
  return { ...over(kept), withoutDistrusted: distrusts ? over(believed!) : null }
}

/** Which model fits; null where the comparison needs more full years than there are. */
function compareModels({ prepared, series, firstT }: Figures): WhichModel | null {
  const { start, calendar } = series
  try {
    const first = periodAt(start, firstT, calendar.seasons)
    return whichModel(prepared.used.values, first, calendar.seasons)
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}
