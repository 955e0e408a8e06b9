import { ordersWords } from '../../arima/words'
import type { Piece } from '../../word'
import { eventsText, eventsWord } from '../eventsWord'
import { powerLabel, powerPieces } from '../powerWords'
import type { ForecastTold } from '../way'
import type { ArimaOptions } from './options'

/** `, *orders chosen step by step*, *with a season*, values *as they are*` */
export function wordsOfArima(options: ArimaOptions, { calendar }: ForecastTold): Piece[] {
  return [
    ', ',
    { id: 'orders', text: ordersWords(options), ask: { kind: 'own' } },
    ...(options.choose === 'given' || calendar.seasons < 2
      ? []
      : [', ', seasonalWord(options.seasonal === true)]),
    ', with ',
    eventsWord(options),
    ', values ',
    ...powerPieces(options),
  ]
}

function seasonalWord(isAllowed: boolean): Piece {
  return {
    id: 'arima-season',
    text: isAllowed ? 'a season allowed' : 'without a season',
    ask: {
      kind: 'pick',
      choices: [true, false].map((one) => ({
        text: one ? 'a season allowed' : 'without a season',
        means: one
          ? 'Terms a year apart, and a difference by the year where the season is strong.'
          : 'No term reaches back a year.',
        chosen: one === isAllowed,
        change: { forecast: { seasonal: one } },
      })),
    },
  }
}

/** `ARIMA (0,1,1)(0,1,1), values as logarithms`, `ARIMA with the best orders` */
export function labelOfArima(options: ArimaOptions): string {
  const season = options.seasonal === false ? ' without a season' : ''
  const orders =
    options.choose === 'given' ? ` ${ordersWords(options)}` : `, ${ordersWords(options)}`
  const events = eventsText(options)
  return `ARIMA${orders}${season}${events ? `, with ${events}` : ''}${powerLabel(options.transform)}`
}
