import { z } from 'zod'
import { Refusal } from '../../refusal'
import { TREND_FORMS } from '../../trend/forms'
import {
  backTransformOption,
  commonForecast,
  completeCommon,
  type BackTransform,
  type CommonForecast,
  type ForecastFacts,
} from '../commonOptions'

/** Forecast by decomposition, as a person or a script writes it. */
export const byDecompositionDocument = z.strictObject({
  by: z.literal('decomposition'),
  ...commonForecast,
  backTransform: backTransformOption,
})
export type ByDecompositionDocument = z.infer<typeof byDecompositionDocument>

/** The same, complete. */
export interface ByDecompositionOptions extends CommonForecast {
  readonly by: 'decomposition'
  /** Of an exponential trend alone, whose forecast comes back from logarithms. */
  readonly backTransform?: BackTransform
}

/** Fills in the defaults: of an exponential trend the median. @throws Refusal for what would do nothing */
export function completeByDecomposition(
  { by, backTransform, ...common }: ByDecompositionDocument,
  facts: ForecastFacts,
): ByDecompositionOptions {
  const { ofLog, says } = TREND_FORMS[facts.trend.form]
  if (!ofLog && backTransform !== undefined) {
    throw new Refusal(
      `backTransform belongs to an exponential trend; this one is ${says}. Take it out.`,
      'forecast.backTransform',
    )
  }
  return {
    by,
    ...completeCommon(common, facts),
    ...(ofLog ? { backTransform: backTransform ?? 'median' } : {}),
  }
}
