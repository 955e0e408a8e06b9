import type { Calendar } from '../calendar/calendar'
import { wayOf } from '../decompose/ways'
import { assumptionsPieces } from '../forecast/assumptions/words'
import { forecastWayOf } from '../forecast/ways'
import type { Method } from '../method'
import { capitalized, nounOf } from '../series/noun'
import { preparationPieces } from '../prepare/preparations'
import type { Series } from '../series/series'
import { piecesText, type Piece } from '../word'
import { modelWord, wayWord } from './decomposition'
import { forecastPieces, horizonWord, levelsWord, limitsWord } from './forecast'
import { trendPieces } from './trend'
import { exclusionPieces, spanWord } from './values'

/**
 * The method in one sentence, every choice a word of its own.
 *
 * @param method complete
 * @example Sales of *all 120 months* as *multiplicative*, by *ratio to a 2×12 moving average*; indices
 *   by *mean*, *adjusted to average 1*; trend *a straight line* through *all 120 months*; project
 *   *12 months* *by decomposition*, with *80% and 95%* limits *of the model*.
 */
export function methodSentence(method: Method, series: Series): Piece[] {
  const { forecast } = method
  return [
    ...sentenceWithoutLimits(method, series),
    ', with ',
    levelsWord(forecast.levels),
    ' limits ',
    limitsWord(forecast),
    ...assumptionsPieces(forecast.assumptions),
    '.',
  ]
}

/** The same up to the forecast itself, of a method whose limits are those of another around it. */
export function sentenceWithoutLimits(method: Method, series: Series): Piece[] {
  const { decompose, forecast } = method
  const { calendar } = series
  const way = wayOf(decompose.by)
  return [
    `${capitalized(nounOf(series))} of `,
    spanWord(method, series),
    ...preparationPieces(method, series),
    ' as ',
    modelWord(method),
    way.says(calendar, decompose.model).lead,
    wayWord(method, calendar),
    ...way.words(decompose, calendar),
    ...exclusionPieces(method),
    ...(usesTrend(method) ? ['; trend ', ...trendPieces(method, series)] : []),
    '; project ',
    horizonWord(forecast.horizon, calendar),
    ' ',
    ...forecastPieces(method, calendar),
  ]
}

/** Whether the forecast makes anything of the trend: a word that changes nothing has no place in the sentence. */
export function usesTrend({ forecast }: Method): boolean {
  const { extendsTrend, fitsTrend } = forecastWayOf(forecast.by)
  return extendsTrend || fitsTrend
}

/** The forecast in a few words: `by regression, multiplicative, with every season against the average and no events`. */
export function forecastWords(method: Method, calendar: Calendar): string {
  return piecesText(forecastPieces(method, calendar))
}
