import { ordersWords } from '../../arima/words'
import { plainOrderText } from '../../stateSpace/arima/order'
import type { Piece } from '../../word'
import type { ArimaTrendOptions } from './options'

/** ` of *orders chosen step by step*`, ` of *(0,1,1) with drift*` */
export function wordsOfArimaTrend(options: ArimaTrendOptions): Piece[] {
  return [
    ' of ',
    { id: 'trendOrders', text: ordersWords(options, plainOrderText), ask: { kind: 'own' } },
  ]
}
