import { z } from 'zod'
import type { DecompositionDocument } from '../../decompose/ways'
import { Refusal } from '../../refusal'
import { trendDocument } from '../../trend/document'
import { SMOOTHED } from '../../trend/smoothed/form'
import type { MemberDocument, MemberMethod } from '../member'
import {
  commonForecast,
  completeCommon,
  type CommonForecast,
  type ForecastFacts,
} from '../commonOptions'

/** How forecasts become one. */
export const COMBINED_BY = ['mean', 'median'] as const
export type CombinedBy = (typeof COMBINED_BY)[number]

export const FEWEST_MEMBERS = 2
export const MOST_MEMBERS = 8

/** The same keys as a part of a method document; whoever reads it from outside checks what stands in each. */
const member = z.strictObject({
  decompose: z.custom<DecompositionDocument>().optional(),
  trend: trendDocument.optional(),
  forecast: z.custom<MemberDocument['forecast']>().optional(),
})

/** Forecast by a combination, as a person or a script writes it. */
export const combinationDocument = z.strictObject({
  by: z.literal('combination'),
  ...commonForecast,
  average: z.enum(COMBINED_BY).optional(),
  of: z.array(member).min(FEWEST_MEMBERS).max(MOST_MEMBERS).readonly().optional(),
})
export type CombinationDocument = z.infer<typeof combinationDocument>

/** The same, complete. */
export interface CombinationOptions extends CommonForecast {
  readonly by: 'combination'
  readonly average: CombinedBy
  readonly of: readonly MemberMethod[]
}

/**
 * Fills in the defaults: the mean of the deseasonalized series smoothed and of smoothing, with limits from past errors.
 *
 * @throws Refusal for limits of the model, which a combination does not have, and for what a member is refused for
 */
export function completeCombination(
  document: CombinationDocument,
  facts: ForecastFacts,
): CombinationOptions {
  const { decompose, completeMember } = facts
  const { by, average = 'mean', of = usualMembers(decompose), ...common } = document
  if (common.limits === 'model') {
    throw new Refusal(
      'A combination is no model of its own, so its limits come from past errors. Take those.',
      'forecast.limits',
    )
  }
  return {
    by,
    ...completeCommon({ ...common, limits: 'past-errors' }, facts),
    average,
    of: of.map((one, i) => completeMember(one, `forecast.of.${i}`)),
  }
}

/** What is combined when nothing is named: two ways of following the latest level. */
export function usualMembers(decompose: DecompositionDocument): MemberDocument[] {
  return [
    { decompose, trend: { form: SMOOTHED } },
    { decompose, forecast: { by: 'smoothing' } },
  ]
}
