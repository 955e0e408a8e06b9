import { plainOrderText } from '../../stateSpace/arima/order'
import type { TrendSaid } from '../said'
import type { ArimaTrendReport } from './report'

/** Its orders. */
export function saidOfArima({ model: { order, constant } }: ArimaTrendReport): TrendSaid {
  const orders = plainOrderText(order, constant)
  return { notes: [`ARIMA ${orders}`, orders], line: `ARIMA ${orders}` }
}
