import { z } from 'zod'
import { completeOrders, seasonalOrdersDocument, type OrderOptions } from '../../arima/orderOptions'
import { refusedUnder } from '../../refusal'
import {
  completeEvents,
  eventsDocument,
  eventsWithin,
  type Events,
} from '../../regression/regressors/eventOptions'
import type { TrainingSpan } from '../../trend/commonOptions'
import {
  commonForecast,
  completeCommon,
  type CommonForecast,
  type ForecastFacts,
} from '../commonOptions'
import { completePower, powerDocument, type PowerOptions } from '../powerOptions'

/** Forecast by ARIMA, as a person or a script writes it. */
export const arimaDocument = z.strictObject({
  by: z.literal('arima'),
  ...commonForecast,
  ...seasonalOrdersDocument,
  ...powerDocument,
  ...eventsDocument,
})
export type ArimaDocument = z.infer<typeof arimaDocument>

/** The same, complete. */
export interface ArimaOptions extends CommonForecast, PowerOptions, OrderOptions, Events {
  readonly by: 'arima'
}

/** Fills in the defaults: no events. @throws Refusal for orders that make no sense, and for events outside the span */
export function completeArima(document: ArimaDocument, facts: ForecastFacts): ArimaOptions {
  const { seasons } = facts.calendar
  return {
    by: document.by,
    ...completeCommon(document, { seasons }),
    ...completePower(document),
    ...refusedUnder('forecast', () => ({
      ...completeOrders(document, seasons),
      ...completeEvents(document, facts),
    })),
  }
}

/** The same of a shorter span: events that lie outside it, or that nothing follows, are left behind. */
export function arimaWithin(document: ArimaDocument, span: TrainingSpan): ArimaDocument {
  return { ...document, ...eventsWithin(document, span) }
}
