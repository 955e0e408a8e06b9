import { countPeriods } from '~~/core/calendar/labels'
import type { Calendar } from '~~/core/calendar/calendar'
import { adjustedValues } from '~~/core/series/adjusted'
import type { LoessMethod, Method } from '~~/core/method'
import type { Series } from '~~/core/series/series'

/** A choice in the method sentence. */
export type WordId =
  | 'missing'
  | 'model'
  | 'by'
  | 'loess'
  | 'average'
  | 'adjust'
  | 'exclude'
  | 'trend'
  | 'horizon'
  | 'levels'

/** A piece of the sentence: plain text, or a word that can be changed. */
export type Piece = string | { readonly id: WordId; readonly text: string }

/**
 * The method in one sentence, every choice a word of its own.
 *
 * @example Sales as *multiplicative*, by *ratio to a 2×12 moving average*; indices by *mean*,
 *   *adjusted to average 1*; trend *a straight line*; project *12 months* with *80% and 95%* limits.
 */
export function methodSentence(method: Method, series: Series): Piece[] {
  const { decompose, trend, forecast } = method
  const { calendar } = series
  const leftOut = decompose.exclude.length
  return [
    'Sales',
    ...missingPieces(method, series),
    ' as ',
    { id: 'model', text: decompose.model },
    ', by ',
    { id: 'by', text: wayWords(decompose.by, calendar) },
    ...decompositionPieces(decompose, calendar),
    ...(leftOut === 0
      ? []
      : [
          ', ',
          {
            id: 'exclude' as const,
            text: `${leftOut} ${leftOut === 1 ? 'value' : 'values'} left out`,
          },
        ]),
    '; trend ',
    { id: 'trend', text: trendWords(trend.last, calendar) },
    '; project ',
    { id: 'horizon', text: countPeriods(forecast.horizon, calendar) },
    ' with ',
    { id: 'levels', text: levelWords(forecast.levels) },
    ' limits.',
  ]
}

/** How the indices are formed, or how local loess is. */
function decompositionPieces(decompose: Method['decompose'], calendar: Calendar): Piece[] {
  if (decompose.by === 'stl') return [', ', { id: 'loess', text: loessWords(decompose, calendar) }]
  return [
    '; indices by ',
    { id: 'average', text: decompose.average.replace('-', ' ') },
    ', ',
    { id: 'adjust', text: adjustWords(decompose.adjust, decompose.model) },
  ]
}

/** `season free to change over 13 years, trend over 21 months, outliers distrusted` */
export function loessWords(decompose: LoessMethod, calendar: Calendar): string {
  const { seasonalWindow, trendWindow, robust } = decompose
  const season =
    seasonalWindow === 'periodic'
      ? 'the same season every year'
      : `season free to change over ${seasonalWindow} years`
  const outliers = robust ? 'outliers distrusted' : 'every value believed alike'
  return `${season}, trend over ${countPeriods(trendWindow, calendar)}, ${outliers}`
}

/** Only a series with gaps has to be told what to do with them. */
function missingPieces(method: Method, series: Series): Piece[] {
  if (method.missing === 'leave' && !adjustedValues(series).includes(null)) return []
  return [', missing values ', { id: 'missing', text: missingWords(method.missing) }, ',']
}

export function missingWords(rule: Method['missing']): string {
  return {
    leave: 'left missing',
    interpolate: 'interpolated',
    seasonal: 'interpolated with their season',
    zero: 'taken as zero',
  }[rule]
}

/** `ratio to a 2×12 moving average` */
export function wayWords(by: Method['decompose']['by'], { seasons }: Calendar): string {
  switch (by) {
    case 'ratio-to-moving-average':
      return `ratio to a ${seasons % 2 === 0 ? `2×${seasons}` : `${seasons}-term`} moving average`
    case 'simple-averages':
      return 'simple averages'
    case 'ratio-to-trend':
      return 'ratio to trend'
    case 'stl':
      return 'robust loess'
  }
}

export function adjustWords(adjust: boolean, model: Method['decompose']['model']): string {
  if (!adjust) return 'not adjusted'
  return model === 'multiplicative' ? 'adjusted to average 1' : 'adjusted to sum to 0'
}

export function trendWords(last: number | undefined, calendar: Calendar): string {
  return last === undefined
    ? 'a straight line'
    : `a straight line through the last ${countPeriods(last, calendar)}`
}

/** `80% and 95%` */
export function levelWords(levels: readonly number[]): string {
  if (levels.length === 0) return 'no'
  const words = levels.map((level) => `${level}%`)
  return words.length === 1 ? words[0]! : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
}
