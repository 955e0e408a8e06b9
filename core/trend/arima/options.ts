import { completeOrders, type OrderOptions, type OrdersDocument } from '../../arima/orderOptions'
import { Refusal, refusedUnder } from '../../refusal'
import type { CommonTrend, CommonTrendDocument } from '../commonOptions'

/** What a trend by ARIMA alone is asked. */
export interface ArimaTrendDocument
  extends CommonTrendDocument, Pick<OrdersDocument, 'orders' | 'constant' | 'choose' | 'near'> {}

/** A trend by ARIMA, complete. */
export interface ArimaTrendOptions extends CommonTrend, OrderOptions {
  readonly form: 'arima'
  readonly time: 'code'
  readonly breaks?: undefined
}

/** What it goes through has no season left, whatever the series has. */
const NO_SEASON = 1

/**
 * Fills in the defaults: orders chosen step by step, through all periods.
 *
 * @throws Refusal for a time in days, and for orders that make no sense
 */
export function completeArimaTrend(document: ArimaTrendDocument): ArimaTrendOptions {
  const { time = 'code', last, orders, constant, choose, near } = document
  if (time === 'days') {
    throw new Refusal(
      'An ARIMA model goes from period to period and cannot count in days. Take the time code.',
      'trend.time',
    )
  }
  return {
    ...{ form: 'arima', time },
    ...(last === undefined ? {} : { last }),
    ...refusedUnder('trend', () => completeOrders({ orders, constant, choose, near }, NO_SEASON)),
  }
}
