import { takeApart, type TakenApart } from '../calculate'
import { trainingDocument } from '../check/trainingDocument'
import { meanMoved, revisedAt, type Revised } from '../decompose/revised'
import type { MethodDocument } from '../method'
import { orNull } from '../refusal'
import type { Series, Value } from '../series/series'
import type { Steps } from '../work/steps'

/** How adjusted values moved when later years came. */
export interface Revisions {
  /** Each period with the figures that it had when its year was the last, and those that it has now, the earliest first. */
  readonly periods: readonly Revised[]
  /** How far they moved on average, whichever way. */
  readonly adjusted: Value
  readonly trend: Value
  /** The same by season, the first first; undefined where none of its periods was revised. */
  readonly bySeason: readonly { readonly adjusted: Value; readonly trend: Value }[]
}

/** More years are not cut off: how first figures were revised decades ago tells little of the next ones. */
export const MOST_YEARS = 10

/**
 * How first figures were revised: the series is cut by one year after the other, taken apart as a whole by what was known then, and
 * the last year of each is laid beside what it is now.
 *
 * @returns fewer years where what is left would be refused, and none at all where the first already is
 * @throws Refusal as the method itself does
 */
export function* revisionsOf(series: Series, document: MethodDocument): Steps<Revisions> {
  const { seasons } = series.calendar
  const now = takeApart(series, document)
  const { firstT, lastT, method } = now
  const { model } = method.decompose
  const years = Math.min(MOST_YEARS, Math.floor((lastT - firstT + 1) / seasons) - 1)
  const periods: Revised[] = []
  for (let dropped = 1; dropped <= years; dropped++) {
    const end = lastT - dropped * seasons
    const then = knownAt(series, document, firstT, end)
    if (!then) break
    const own = Array.from({ length: seasons }, (_, k) => end - seasons + 1 + k)
    periods.unshift(...own.map((t) => revisedAt(t, figuresAt(then, t), figuresAt(now, t), model)))
    yield { done: dropped, of: years, words: 'years taken back' }
  }
  const of = (season: number) =>
    periods.filter(({ t }) => now.prepared.used.seasonOf[t - firstT] === season)
  return {
    ...{ periods, ...meansOf(periods) },
    bySeason: Array.from({ length: seasons }, (_, k) => meansOf(of(k + 1))),
  }
}

function meansOf(periods: readonly Revised[]) {
  return {
    adjusted: meanMoved(periods.map(({ revision }) => revision)),
    trend: meanMoved(periods.map(({ trendRevision }) => trendRevision)),
  }
}

/** A period's adjusted value as it was with each further period known. */
export interface History {
  readonly t: number
  readonly at: readonly { readonly end: number; readonly adjusted: Value; readonly trend: Value }[]
}

/** What each later period makes of an adjusted value is seen over so many years; by then it hardly moves. */
const HISTORY_YEARS = 5

/**
 * How the adjusted value of one period moved as the series grew: the series is cut behind that period, and grows by one period at a
 * time.
 *
 * @param t time code of the period
 * @returns none for lengths at which the method is refused
 * @throws Refusal as the method itself does
 */
export function* historyOf(series: Series, document: MethodDocument, t: number): Steps<History> {
  const now = takeApart(series, document)
  const last = Math.min(now.lastT, t + HISTORY_YEARS * series.calendar.seasons)
  const at: { end: number; adjusted: Value; trend: Value }[] = []
  for (let end = t; end <= last; end++) {
    const then = end === now.lastT ? now : knownAt(series, document, now.firstT, end)
    if (then) at.push({ end, ...figuresAt(then, t) })
    yield { done: end - t + 1, of: last - t + 1, words: 'lengths of the series' }
  }
  return { t, at }
}

/** The series taken apart by what was known at a period; null where that was refused. */
function knownAt(
  series: Series,
  document: MethodDocument,
  firstT: number,
  end: number,
): TakenApart | null {
  return orNull(() => takeApart(series, trainingDocument(document, series, firstT, end, 1)))
}

function figuresAt({ decomposed, firstT }: TakenApart, t: number) {
  return {
    adjusted: decomposed.deseasonalized[t - firstT] ?? null,
    trend: decomposed.trendCycle[t - firstT] ?? null,
  }
}
