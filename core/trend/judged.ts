import { inflation } from '../autocorrelation/inflation'
import { durbinWatson } from '../regression/report'
import type { Value } from '../series/series'
import { mean } from '../statistics/average'
import { twoSidedT } from '../statistics/distributions'
import { trendLine } from './leastSquares/fit'
import { phasesOf, readPhases, type Phase } from './phases'

/** What a level does, read without asking how the method fits its trend. */
export interface JudgedLevel {
  /** Where it rises, falls and stays; one, of constant growth, where it grows evenly. */
  readonly phases: readonly Phase[]
  /** The same before neighbours that say the same were joined: stretches that are level may differ in height. */
  readonly pieces: readonly Phase[]
  /** What it grows by a period, as a share, where shares need one phase and amounts several; else null. */
  readonly evenGrowth: Value
  /** Whether it goes where no line says, nor a few of them. */
  readonly wanders: boolean
  /** Durbin–Watson of one straight line through all of it. */
  readonly lineLikeness: Value
}

/** Below this Durbin–Watson of a straight line the level may wander… */
const WANDERS_BELOW = 0.4
/** …and does, where the lines of its phases leave neighbours as alike as this too. */
const PHASES_WANDER_BELOW = 0.8
const SIGNIFICANT = 0.01
/** Residuals with a spread under this share of the level matter to nobody, whatever pattern they have. */
const IMMATERIAL = 0.002
/** The most that neighbouring residuals are taken to be alike. */
const MOST_ALIKE = 0.95

/**
 * Reads a level: its phases, whether it grows evenly, whether it wanders, and whether it goes anywhere at all.
 *
 * Phases are looked for on the values, and on their logarithms where every one is above 0. Where these need one phase and
 * the values several, growth is even and nothing has turned. A level wanders where one line leaves residuals whose
 * neighbours are almost the same, and its phases do so too: a turn or a step is followed by two lines, a walk by none.
 *
 * @param level one a period, the season taken out, outliers replaced, null = missing
 * @param seasons m
 * @returns nothing to tell with fewer than three values
 */
export function judgeLevel(level: readonly Value[], seasons: number): JudgedLevel {
  const { phases, pieces, residuals } = readPhases(level, seasons)
  if (phases.length === 0) {
    return { phases, pieces, evenGrowth: null, wanders: false, lineLikeness: null }
  }
  const { fit, slope } = trendLine(level, 1)
  const [only] = phases
  // The line through everything and its phase are one test where there is one phase: they must not say two things.
  const throughout: readonly Phase[] =
    pieces.length === 1 && only!.direction === 'level' && isSure(fit)
      ? [{ ...only!, direction: slope > 0 ? 'rises' : 'falls' }]
      : phases
  const lineLikeness = fit.sse === 0 ? null : durbinWatson(fit.residualsInTime)
  const even = pieces.length > 1 ? evenGrowthOf(level, seasons) : null
  const ofPhases = durbinWatson(residuals)
  return {
    phases: even ? [even.phase] : throughout,
    pieces: even ? [even.phase] : pieces,
    evenGrowth: even?.rate ?? null,
    wanders:
      !even &&
      Math.sqrt(fit.sse / fit.n) > IMMATERIAL * sizeOf(level) &&
      lineLikeness !== null &&
      lineLikeness < WANDERS_BELOW &&
      ofPhases !== null &&
      ofPhases < PHASES_WANDER_BELOW,
    lineLikeness,
  }
}

/** How large values are: the mean of their distance from 0. */
export function sizeOf(values: readonly Value[]): number {
  return mean(values.flatMap((value) => (value === null ? [] : Math.abs(value)))) ?? 0
}

/** One phase of growth by the same share, where the logarithms have one that is not level. */
function evenGrowthOf(level: readonly Value[], seasons: number) {
  if (level.some((value) => value !== null && value <= 0)) return null
  const logs = level.map((value) => (value === null ? null : Math.log(value)))
  const [phase, ...others] = phasesOf(logs, seasons)
  if (!phase || others.length > 0 || phase.direction === 'level') return null
  const middle = Math.exp(phase.middle)
  return {
    rate: Math.expm1(phase.slope),
    phase: { ...phase, middle, slope: middle * phase.slope, error: middle * phase.error },
  }
}

/** Whether the slope of a line is more than chance, its neighbours being as alike as they are. */
function isSure(fit: ReturnType<typeof trendLine>['fit']): boolean {
  if (fit.n <= fit.p) return false
  const f = inflation(fit.residualsInTime, MOST_ALIKE, fit.p)
  const error = Math.sqrt((fit.sse / fit.df) * f * fit.varianceOf([0, 1]))
  const slope = fit.coefficients[1]!
  return error === 0 ? slope !== 0 : twoSidedT(slope / error, fit.df) <= SIGNIFICANT
}

/** Whether a trend fits what it was fitted to. */
export interface TrendFits {
  /** Durbin–Watson of what it leaves, outliers aside. */
  readonly likeness: Value
  /** How far the latest values lie off it on average, where that is more than chance; else null. */
  readonly offAtEnd: Value
  /** Periods that are the latest. */
  readonly latest: number
  /** `fits`; `swings` around it, as noise whose neighbours are alike does; or it does not. */
  readonly verdict: 'fits' | 'swings' | 'does-not-fit'
}

/** Neighbouring residuals are alike beyond chance below this Durbin–Watson. */
export const WAVES_BELOW = 1.4
/** Standard errors that the mean of the last residuals may lie off; at two, white noise around a right line leaves it in 5%. */
const OFF_AT_THE_END = 2.5

/**
 * Whether a least-squares trend fits: its residuals must not go their own way. They do where Durbin–Watson is under 0.4,
 * where neighbours are alike and the residuals have phases of their own, and where the latest half a year lies off.
 *
 * @param residuals one a period from the first fitted on, outliers and missing ones null
 * @param fitted numbers that the trend was estimated with
 * @param size of what was fitted, as its residuals are to be measured by: its mean distance from 0, of logarithms 1
 */
export function judgeFit(
  residuals: readonly Value[],
  fitted: number,
  seasons: number,
  size: number,
): TrendFits {
  const present = residuals.filter((value) => value !== null)
  const latest = Math.max(2, Math.ceil(seasons / 2))
  const squares = present.reduce((sum, value) => sum + value * value, 0)
  if (present.length <= fitted || Math.sqrt(squares / present.length) <= IMMATERIAL * size) {
    return { likeness: null, offAtEnd: null, latest, verdict: 'fits' }
  }
  const likeness = durbinWatson(residuals)
  const last = residuals.slice(-latest).filter((value) => value !== null)
  const off = mean(last) ?? 0
  // Neighbours that are alike make a mean of the last few wander too, as if there were fewer of them.
  const f = inflation(residuals, MOST_ALIKE, fitted)
  const s = Math.sqrt(squares / (present.length - fitted))
  const isOff = last.length === latest && Math.abs(off) > OFF_AT_THE_END * s * Math.sqrt(f / latest)
  const isWavy = likeness !== null && likeness < WAVES_BELOW
  const own = isWavy ? readPhases(residuals, seasons) : null
  const goesOwnWay =
    own !== null &&
    (own.pieces.length > 1 || own.phases.some(({ direction }) => direction !== 'level'))
  const doesNotFit =
    isOff || (likeness !== null && likeness < WANDERS_BELOW) || (isWavy && goesOwnWay)
  return {
    likeness,
    offAtEnd: isOff ? off : null,
    latest,
    verdict: doesNotFit ? 'does-not-fit' : isWavy ? 'swings' : 'fits',
  }
}
