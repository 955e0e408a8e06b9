import { namesTakenOut } from './prepare/prepare'
import { carryOn, type Figures } from './calculate'
import { without } from './decompose/parts'
import { completeDecomposition, defaultWay, wayOf } from './decompose/ways'
import type { OutOfTheOrdinary } from './outliers/outliers'
import type { Model } from './model'
import { orNull } from './refusal'
import { durbinWatson } from './regression/report'
import type { AdvisedModel } from './seasonality/advisedModel'
import { nounOf } from './series/noun'
import type { Value } from './series/series'
import type { StraightLine } from './trend/leastSquares/columns'
import { TREND_FORMS } from './trend/forms'
import { judgeFit, judgeLevel, sizeOf, type JudgedLevel, type TrendFits } from './trend/judged'
import { trendLine, type TrendLine } from './trend/leastSquares/fit'
import { GROWING, STRAIGHT, type FittedFormName } from './trend/leastSquares/forms'
import type { Phase } from './trend/phases'
import type { TrendTime } from './trend/trend'
import { trendShare } from './trend/trendShare'
import { trendWayOf, type Trend, type TrendFit, type TrendOptions } from './trend/ways'
import { seasonOut } from './words/seasonOut'

/** A phase of the trend by its first and last period. */
export interface PhaseAt extends Omit<Phase, 'from' | 'to'> {
  readonly from: number
  readonly to: number
}

/** What can be judged of where the level goes, and of the trend that follows it. */
export interface ExaminedTrend {
  /** The trend read in phases: where it rises, falls and stays. */
  readonly phases: readonly PhaseAt[]
  /** How the level goes beside its phases. */
  readonly level: Pick<JudgedLevel, 'evenGrowth' | 'wanders' | 'lineLikeness'> & {
    /** The phases before neighbours that say the same were joined. */
    readonly pieces: readonly PhaseAt[]
  }
  /** Whether a trend by least squares fits; null for one that follows the values. */
  readonly trendFits: TrendFits | null
  /** Where it does not: which other trends by least squares would. */
  readonly wouldFit: readonly OtherTrend[]
  /** The line through the deseasonalized series, all periods of the span. */
  readonly straightTrend: StraightLine
  /** Whether that line rises or falls, and by how much its slope may be off. */
  readonly straight: TrendLine
  /** Its yearly rise or fall as a share of the level, where that matters and is no chance. */
  readonly trendShare: Value
  /** Durbin–Watson of what the trend leaves, outliers left aside. */
  readonly residualLikeness: Value
}

/** What a trend by least squares can be instead: even growth, or a line through the latest years alone. */
export type OtherTrend = 'growth' | 'latest-years'
/** Years that a line through the latest values takes. */
const LATEST_YEARS = 3

/** Periods of the latest years, for a line through them alone. */
export function latestPeriods(seasons: number): number {
  return LATEST_YEARS * Math.max(seasons, 4)
}

/**
 * Where the level goes, read without asking how the trend is fitted; whether the trend fits.
 *
 * @param ordinary the outliers, which take no part
 * @param advised the model that fits, where one is advised
 * @param straight that of {@link straightTrendOf}
 */
export function examineTrend(
  figures: Figures,
  ordinary: OutOfTheOrdinary,
  advised: AdvisedModel | null,
  straight: TrendLine,
): ExaminedTrend {
  const { prepared, trend, firstT } = figures
  const stretch = prepared.input
  const { seasons } = stretch.calendar
  const own = levelTaken(figures, advised)
  const level = levelToJudge(figures, ordinary.replaced, own)
  const judged = judgeLevel(level, seasons)
  const located = (phase: Phase): PhaseAt => ({
    ...phase,
    from: firstT + phase.from,
    to: firstT + phase.to,
  })
  const trendFits = judgeTrend(figures, ordinary, own.isOwn ? null : level, judged.phases)
  return {
    phases: judged.phases.map(located),
    level: {
      ...{ evenGrowth: judged.evenGrowth, wanders: judged.wanders },
      ...{ lineLikeness: judged.lineLikeness, pieces: judged.pieces.map(located) },
    },
    trendFits,
    wouldFit:
      trendFits?.verdict === 'does-not-fit' ? othersThatFit(figures, level, judged.evenGrowth) : [],
    trendShare: trendShare(stretch.values, straight, seasons),
    residualLikeness: durbinWatsonWithout(trend, ordinary, firstT),
    straightTrend: { intercept: straight.intercept, slope: straight.slope },
    straight,
  }
}

/**
 * The line through the deseasonalized series, all periods of the span: without one nothing can be judged.
 *
 * @throws Refusal for fewer than three values
 */
export function straightTrendOf({ trend, method, decomposed, firstT }: Figures): TrendLine {
  return (
    trendWayOf(method.trend.form).asLine?.(trend, firstT) ??
    trendLine(decomposed.deseasonalized, firstT)
  )
}

/** What is reported of the trend: its equation, its numbers, how well it fits. */
export function reportTrend(figures: Figures): TrendFit {
  const { prepared, method, trend, firstT, lastT } = figures
  const stretch = prepared.input
  return trendWayOf(method.trend.form).report(trend, method.trend, {
    to: lastT,
    before: stretch.values,
    time: timeOf(figures),
    name: fittedName(figures),
    periodLabel: (t) => stretch.periodOf(t - firstT).label,
  })
}

/** How the level is taken that is judged: whether by the method's own season, else by which model. */
interface LevelTaken {
  readonly isOwn: boolean
  readonly model: Model
}

/**
 * By the method's own season, unless it has none, its indices hold a part of the trend, or its model is not the one that
 * fits: a yearly wave would hide a slope, a staircase would bend a line, and what a wrong model leaves of the season would
 * pass for a level that wanders. None of that is the trend's fault.
 */
function levelTaken({ decomposed, method }: Figures, advised: AdvisedModel | null): LevelTaken {
  const { by, model } = method.decompose
  const better = advised && !advised.close ? advised.better : model
  const isOwn = decomposed.season !== null && wayOf(by).traits.followsLevel && better === model
  return { isOwn, model: better }
}

/** The level that is read for phases: outliers replaced, the season taken out, where it is not the method's own by the usual way. */
function levelToJudge(
  { prepared, decomposed, method }: Figures,
  replaced: readonly Value[],
  { isOwn, model }: LevelTaken,
): readonly Value[] {
  const own = () => without(replaced, decomposed.index, method.decompose.model)
  if (isOwn) return own()
  const stretch = { ...prepared.input, values: replaced }
  const { calendar } = stretch
  const by = defaultWay(calendar)
  const usual = orNull(() => {
    const { seasons, frequency } = calendar
    const facts = { model, periods: replaced.length, seasons, frequency }
    return wayOf(by).decompose(
      stretch,
      completeDecomposition({ by, model }, facts),
      new Set(),
      carryOn,
    )
  })
  return usual ? without(replaced, usual.index, model) : own()
}

/**
 * Whether the trend fits.
 *
 * A straight trend that neighbours swing around is still wrong where the level is told to turn under it: the phases are read
 * with outliers replaced, the residuals without them, and the two must not be said together.
 *
 * @param level that the same form is judged on; null for what the trend itself is fitted to
 * @param phases of the level, entries from 0
 */
function judgeTrend(
  figures: Figures,
  { isOutlier }: OutOfTheOrdinary,
  level: readonly Value[] | null,
  phases: readonly Phase[],
): TrendFits | null {
  const { trend, method, firstT, prepared } = figures
  const { trend: options } = method
  const { follows, isStraight } = TREND_FORMS[options.form]
  if (follows) return null
  const onLevel = level && orNull(() => fittedThrough(level, options, figures))
  const { residualsInTime, from, estimated, spread } = onLevel ?? trend
  const residuals = residualsInTime.map((value, i) => (isOutlier(from - firstT + i) ? null : value))
  const size = spread.ofLog ? 1 : sizeOf(prepared.input.values)
  const judged = judgeFit(residuals, estimated, prepared.input.calendar.seasons, size)
  const turns = phases.filter(({ to }) => firstT + to > from).length > 1
  return judged.verdict === 'swings' && isStraight && turns
    ? { ...judged, verdict: 'does-not-fit' }
    : judged
}

/** Another trend through values of the same span. @throws Refusal as the form does */
function fittedThrough(values: readonly Value[], options: TrendOptions, figures: Figures): Trend {
  return trendWayOf(options.form).fit(values, options, timeOf(figures), String)
}

function timeOf({ series: { calendar, start }, firstT }: Figures): TrendTime {
  return { calendar, start, firstT }
}

/** The other trends whose own residuals are dull: what is offered must mend. */
function othersThatFit(figures: Figures, level: readonly Value[], evenGrowth: Value): OtherTrend[] {
  const { trend: options } = figures.method
  if (TREND_FORMS[options.form].follows) return []
  const { seasons } = figures.series.calendar
  const latest = latestPeriods(seasons)
  const fits = (form: FittedFormName, last: number | undefined) => {
    const asked = { form, time: options.time, ...(last && { last }) }
    const other = orNull(() => fittedThrough(level, asked, figures))
    if (!other) return false
    const { residualsInTime, estimated, spread } = other
    const size = spread.ofLog ? 1 : sizeOf(level)
    return judgeFit(residualsInTime, estimated, seasons, size).verdict !== 'does-not-fit'
  }
  return [
    ...(evenGrowth !== null && !TREND_FORMS[options.form].ofLog && fits(GROWING, undefined)
      ? (['growth'] as const)
      : []),
    ...((options.last ?? level.length) > latest && fits(STRAIGHT, latest)
      ? (['latest-years'] as const)
      : []),
  ]
}

/** Durbin–Watson of the trend's residuals without the outliers: one flood is no wave. */
function durbinWatsonWithout(
  { from, residualsInTime }: Trend,
  { isOutlier }: OutOfTheOrdinary,
  firstT: number,
): Value {
  return durbinWatson(
    residualsInTime.map((value, i) => (isOutlier(from - firstT + i) ? null : value)),
  )
}

/** `deseasonalized litres`, `litres without season and calendar`; without a season `sales`, `litres`. */
function fittedName({ decomposed, prepared, series }: Figures): string {
  const what = series.unit || nounOf(series)
  return decomposed.season ? seasonOut(namesTakenOut(prepared.takenOut)).of(what) : what
}
