import {
  autocorrelation,
  autocorrelationLimit,
  partialAutocorrelation,
} from '../autocorrelation/autocorrelation'
import { withoutEnds } from '../autocorrelation/withoutGap'
import type { Value } from '../series/series'
import { normalQuantile } from '../statistics/distributions'
import { difference } from '../stationarity/difference'
import type { ArimaOrder } from '../stateSpace/arima/order'

/** What differenced values say of the orders that fit them. */
export interface Identified {
  /** Differences that came. */
  readonly count: number
  /** From lag 1; null with a gap inside, or of constant differences. */
  readonly autocorrelation: readonly number[] | null
  readonly partial: readonly number[] | null
  readonly limit: number
  readonly suggests: Suggestion | null
}

/** What the shape of autocorrelations is that of; it decides nothing. */
export interface Suggestion {
  readonly short: Shape
  /** Of the lags a season apart; null without a season, or with too few years to tell. */
  readonly seasonal: Shape | null
}

/**
 * How autocorrelations go on: none beyond noise; cut off after a lag, which a moving average does; dying away while the partial
 * ones cut off, which autoregression does; both cut off alike; neither.
 */
export type Shape =
  | { readonly kind: 'none' | 'both-die-away' }
  | { readonly kind: 'cuts-off' | 'partial-cuts-off' | 'either'; readonly lag: number }

/** Lags that are looked at for terms one period apart, and for terms a season apart. */
const SHORT = 6
const YEARS = 2
/** Beyond this share of noise stays in only one of a hundred cases: many lags are looked at. */
const BEYOND = normalQuantile(99)
/** A cut-off after more lags than this is no cut-off. */
const MOST_TERMS = 3

/**
 * The autocorrelations of values that are differenced already, and what their shape suggests.
 *
 * Each is held against its own error where those before it are what they are (Bartlett 1946): (1 + 2Σ r_j²)/n. Partial ones
 * have 1/n.
 *
 * @param rest one a period, null = missing, on the scale of the model ({@link differenced})
 * @param seasons m
 * @see Box, G. E. P. & Jenkins, G. M. (1970), ch. 6; Bartlett, M. S. (1946), Journal of the Royal Statistical Society, Supplement 8
 */
export function identify(rest: readonly Value[], seasons: number): Identified {
  const { inner } = withoutEnds(rest)
  const came = inner.filter((value) => value !== null).length
  const most = Math.max(2 * seasons, 2 * SHORT)
  const r =
    came < 4 || inner.includes(null) ? null : autocorrelation(inner as readonly number[], most)
  const partial = r && partialAutocorrelation(r)
  return {
    count: came,
    autocorrelation: r,
    partial,
    limit: autocorrelationLimit(Math.max(1, came)),
    suggests: r && partial ? suggestionOf(r, partial, came, seasons) : null,
  }
}

/** The differences that a model takes of values, those of the season first. @param values one a period, null = missing */
export function differenced(
  values: readonly Value[],
  { d, D }: Pick<ArimaOrder, 'd' | 'D'>,
  seasons: number,
): readonly Value[] {
  const times = (count: number, how: 'first' | 'seasonal', of: readonly Value[]) =>
    Array.from({ length: count }).reduce<readonly Value[]>(
      (rest) => difference(rest, how, seasons),
      of,
    )
  return times(d, 'first', times(D, 'seasonal', values))
}

function suggestionOf(
  r: readonly number[],
  partial: readonly number[],
  count: number,
  seasons: number,
): Suggestion {
  // Lags beside a season echo it: they are no short ones.
  const short = seasons > 3 ? Math.min(SHORT, seasons - 2) : seasons > 1 ? 1 : SHORT
  const lags = (step: number, most: number) =>
    Array.from({ length: most }, (_, i) => (i + 1) * step).filter((lag) => lag <= r.length)
  const shapeAt = (all: readonly number[]) =>
    shapeOf(
      all.map((lag) => Math.abs(r[lag - 1]!) > BEYOND * bartlett(r, lag, count)),
      all.map((lag) => Math.abs(partial[lag - 1]!) > BEYOND / Math.sqrt(count)),
    )
  const years = lags(seasons, YEARS)
  return {
    short: shapeAt(lags(1, short)),
    seasonal:
      seasons > 1 && years.length === YEARS && count > (YEARS + 1) * seasons
        ? shapeAt(years)
        : null,
  }
}

/** The error of an autocorrelation where those of longer lags are none. */
function bartlett(r: readonly number[], lag: number, count: number): number {
  const before = r.slice(0, lag - 1).reduce((sum, own) => sum + own * own, 0)
  return Math.sqrt((1 + 2 * before) / count)
}

/** @param own of each lag whether its autocorrelation is beyond noise; `partial` the same of the partial ones */
function shapeOf(own: readonly boolean[], partial: readonly boolean[]): Shape {
  const [last, lastPartial] = [own.lastIndexOf(true) + 1, partial.lastIndexOf(true) + 1]
  if (last === 0 && lastPartial === 0) return { kind: 'none' }
  const ends = (lag: number) => lag > 0 && lag <= MOST_TERMS && lag < own.length
  if (last === lastPartial && ends(last)) return { kind: 'either', lag: last }
  if (ends(last) && (last < lastPartial || lastPartial === 0))
    return { kind: 'cuts-off', lag: last }
  if (ends(lastPartial) && (lastPartial < last || last === 0)) {
    return { kind: 'partial-cuts-off', lag: lastPartial }
  }
  return { kind: 'both-die-away' }
}

/**
 * What it suggests, in words; it decides nothing.
 *
 * @example `The autocorrelations cut off after lag 1, the partial ones die away: one moving-average term.`
 */
export function suggestionWords({ short, seasonal }: Suggestion, seasons: number): string[] {
  return [
    shapeWords(short, { lag: 1, of: '', none: 'At short lags nothing is beyond noise: no term.' }),
    ...(seasonal
      ? [
          shapeWords(seasonal, {
            lag: seasons,
            of: ' of the season',
            none: `At lag ${seasons} nothing is beyond noise: no term of the season.`,
          }),
        ]
      : []),
  ]
}

function shapeWords(
  shape: Shape,
  { lag: step, of, none }: { readonly lag: number; readonly of: string; readonly none: string },
): string {
  const start = of ? 'By the season, the' : 'The'
  switch (shape.kind) {
    case 'none':
      return none
    case 'both-die-away':
      return `${start} autocorrelations and the partial ones both go on: a term of each kind${of}, or one more difference.`
    case 'cuts-off':
      return `${start} autocorrelations cut off after lag ${shape.lag * step}, the partial ones go on: ${terms(shape.lag)} moving-average ${shape.lag === 1 ? 'term' : 'terms'}${of}.`
    case 'partial-cuts-off':
      return `${start} partial autocorrelations cut off after lag ${shape.lag * step}, the others go on: ${terms(shape.lag)} autoregressive ${shape.lag === 1 ? 'term' : 'terms'}${of}.`
    case 'either':
      return `${start} autocorrelations and the partial ones cut off alike after lag ${shape.lag * step}: ${terms(shape.lag)} moving-average or autoregressive ${shape.lag === 1 ? 'term' : 'terms'}${of}.`
  }
}

function terms(count: number): string {
  return ['no', 'one', 'two', 'three'][count] ?? String(count)
}
