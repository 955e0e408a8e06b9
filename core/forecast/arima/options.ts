import { z } from 'zod'
import { completeOrders, seasonalOrdersDocument, type OrderOptions } from '../../arima/orderOptions'
import { refusedUnder } from '../../refusal'
import {
  completeEvents,
  eventsDocument,
  eventsWithin,
  type Events,
} from '../../regression/regressors/eventOptions'
import {
  completeGiven,
  givenDocument,
  type GivenColumn,
} from '../../regression/regressors/givenOptions'
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
  ...givenDocument,
})
export type ArimaDocument = z.infer<typeof arimaDocument>

/** The same, complete. */
export interface ArimaOptions extends CommonForecast, PowerOptions, OrderOptions, Events {
  readonly by: 'arima'
  readonly given: readonly GivenColumn[]
}

/** Fills in the defaults: nothing known beside. @throws Refusal for orders that make no sense, and for events outside the span */
export function completeArima(document: ArimaDocument, facts: ForecastFacts): ArimaOptions {
  const { seasons } = facts.calendar
  const common = completeCommon(document, facts)
  return {
    by: document.by,
    ...common,
    ...completePower(document),
    ...refusedUnder('forecast', () => {
      const events = completeEvents(document, facts)
      const names = [...events.indicators, ...events.steps].map(({ name }) => name)
      return {
        ...completeOrders(document, seasons),
        ...events,
        given: completeGiven(document.given, { ...facts, horizon: common.horizon, names }),
      }
    }),
  }
}

/** The same of a shorter span: events that lie outside it, or that nothing follows, are left behind. */
export function arimaWithin(document: ArimaDocument, span: TrainingSpan): ArimaDocument {
  return { ...document, ...eventsWithin(document, span) }
}
