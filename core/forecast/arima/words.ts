import { orderText } from '../../stateSpace/arima/order'
import type { Piece } from '../../word'
import { powerLabel, powerPieces } from '../powerWords'
import type { ForecastTold } from '../way'
import { givenModel, type ArimaOptions } from './options'

const CHOSEN = {
  stepwise: 'orders chosen step by step',
  full: 'the best of all orders',
} as const

/** `, *orders chosen step by step*, *with a season*, values *as they are*` */
export function wordsOfArima(options: ArimaOptions, { calendar }: ForecastTold): Piece[] {
  return [
    ', ',
    { id: 'orders', text: ordersWords(options), ask: { kind: 'own' } },
    ...(options.choose === 'given' || calendar.seasons < 2
      ? []
      : [', ', seasonalWord(options.seasonal === true)]),
    ', values ',
    ...powerPieces(options),
  ]
}

/** `orders chosen step by step`, `(0,1,1)(0,1,1)` */
function ordersWords(options: ArimaOptions): string {
  const given = givenModel(options)
  if (given) return orderText(given.order, given.constant)
  return CHOSEN[options.choose === 'full' ? 'full' : 'stepwise']
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
  return `ARIMA${orders}${season}${powerLabel(options.transform)}`
}
