import { orderText, plainOrderText, type ArimaOrder } from '../stateSpace/arima/order'
import { givenModel, type GivenModel, type OrderOptions } from './orderOptions'

const CHOSEN = {
  stepwise: 'orders chosen step by step',
  full: 'the best of all orders',
} as const

/** `orders chosen step by step`, `(0,1,1)(0,1,1)`. @param say how orders are written */
export function ordersWords(options: OrderOptions, say = orderText): string {
  const given = givenModel(options)
  if (given) return say(given.order, given.constant)
  return CHOSEN[options.choose === 'full' ? 'full' : 'stepwise']
}

/** A model by its orders, without those of a season where it has none. @param seasons m of the model */
export function nameOfModel({ order, constant }: GivenModel, seasons: number): string {
  return (seasons > 1 ? orderText : plainOrderText)(order, constant)
}

/**
 * What differences are taken.
 *
 * @param of what they are taken of: `litres`
 * @param per `month`
 * @example `Differences by the year and by the month of litres`
 */
export function differencesText(
  { d, D }: Pick<ArimaOrder, 'd' | 'D'>,
  of: string,
  per: string,
): string {
  const times = (count: number, apart: string) =>
    count === 0 ? [] : [`${count === 2 ? 'twice ' : ''}by the ${apart}`]
  const taken = [...times(D, 'year'), ...times(d, per)]
  return taken.length === 0
    ? `No differences of ${of}`
    : `Differences ${taken.join(' and ')} of ${of}`
}
