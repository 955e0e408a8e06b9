import { z } from 'zod'
import { ordersDocument } from '../arima/orderOptions'
import { commonTrend } from './commonOptions'
import { TREND_FORM_NAMES } from './forms'
import { fittedDocument } from './leastSquares/options'
import { smoothedDocument } from './smoothed/options'

/** The trend, as a person or a script writes it. */
export const trendDocument = z
  .strictObject({
    form: z.enum(TREND_FORM_NAMES),
    ...commonTrend,
    ...fittedDocument,
    ...smoothedDocument,
    ...ordersDocument,
  })
  .partial()
export type TrendDocument = z.infer<typeof trendDocument>
