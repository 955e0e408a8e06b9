import { figuresOf, type ArimaFigures } from '../../arima/model'
import { plainOrderText } from '../../stateSpace/arima/order'
import type { TrendReported } from '../reported'
import type { ArimaTrend } from './fit'

/** The report of a trend by ARIMA. */
export interface ArimaTrendReport {
  readonly form: 'arima'
  /** What it is a model of: `ARIMA (0,1,1) with drift of deseasonalized litres` */
  readonly equation: string
  /** Time codes of the first period of the model, of the first that it predicts and of the last. */
  readonly first: number
  readonly from: number
  readonly to: number
  readonly model: ArimaFigures
  /** σ with the divisor that limits use before the season is paid for. */
  readonly s: number
  /** The state behind the last period, without mean or drift. */
  readonly end: readonly number[]
}

/** What there is to say of a trend by ARIMA. */
export function reportArima(
  { found, first, from, to, end }: ArimaTrend,
  { name }: Pick<TrendReported, 'name'>,
): ArimaTrendReport {
  const model = figuresOf(found)
  return {
    form: 'arima',
    equation: `ARIMA ${plainOrderText(model.order, model.constant)} of ${name}`,
    ...{ first, from, to, model, end },
    s: Math.sqrt(found.fit.s2),
  }
}
