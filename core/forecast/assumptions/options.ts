import { z } from 'zod'
import { Refusal } from '../../refusal'

/** An amount for each day of a year, and what is assumed beside. */
const MOST_ASSUMPTIONS = 500
const LONGEST_REASON = 500
const common = {
  /** Period code of the first period that is meant. */
  from: z.string().min(1).max(20),
  reason: z.string().trim().min(1, 'An assumption needs a reason.').max(LONGEST_REASON),
}

/** Growth of the deseasonalized forecast, from a period on and until the next assumption of growth. */
const growth = z.strictObject({
  kind: z.literal('growth'),
  ...common,
  percentPerYear: z.number().gt(-100).max(1000),
})
/** The index of a season changed from a period on: times a factor, in an additive model by an amount. */
const index = z.strictObject({
  kind: z.literal('index'),
  ...common,
  season: z.int().min(1),
  factor: z.number().gt(0).max(1000).optional(),
  amount: z.number().optional(),
})
/** An amount more or less, in one period or from one to another. */
const amount = z.strictObject({
  kind: z.literal('amount'),
  ...common,
  to: z.string().min(1).max(20).optional(),
  amount: z.number(),
  /** Of forecasts that were made to add up: taken out when they are added up anew. */
  addsUp: z.literal(true).optional(),
})

const assumptionList = z
  .array(z.discriminatedUnion('kind', [growth, index, amount]).readonly())
  .max(MOST_ASSUMPTIONS)
  .readonly()

/** What an analyst knows better than the statistics, as a person or a script writes it. */
export const assumptionsDocument = assumptionList.optional()

/** Scenarios that are laid beside the forecast at the most: more lines are told apart by nobody. */
export const MOST_SCENARIOS = 3

/** Named sets of assumptions beside those in force. */
export const scenariosDocument = z
  .array(
    z
      .strictObject({
        name: z.string().trim().min(1, 'A scenario needs a name.').max(40),
        assumptions: assumptionList,
      })
      .readonly(),
  )
  .max(MOST_SCENARIOS)
  .readonly()
  .optional()

export type GrowthAssumption = Readonly<z.infer<typeof growth>>
export type IndexAssumption = Readonly<z.infer<typeof index>>
/** Both ends included. */
export type AmountAssumption = Readonly<z.infer<typeof amount>>
export type Assumption = GrowthAssumption | IndexAssumption | AmountAssumption

/** A named set of assumptions. */
export interface Scenario {
  readonly name: string
  readonly assumptions: readonly Assumption[]
}

/** What assumptions must know of their series. */
export interface AssumptionFacts {
  readonly calendar: { readonly seasons: number }
  /** The time code of a period of the series, or of one ahead. @throws Refusal for any other */
  timeCode(code: string, where: string): number
}

/**
 * Assumptions that make sense by themselves; whether a forecast has what they bend, it alone knows.
 *
 * A period that is over, or lies beyond the horizon, is not refused: new values and a shorter horizon must not make a
 * method impossible.
 *
 * @throws Refusal for what contradicts itself, with its path
 */
export function completeAssumptions(
  assumptions: readonly Assumption[],
  { calendar, timeCode }: AssumptionFacts,
  path = 'forecast.assumptions',
): readonly Assumption[] {
  const growsFrom = new Set<number>()
  return assumptions.map((one, i) => {
    const where = `${path}.${i}`
    const from = timeCode(one.from, `${where}.from`)
    switch (one.kind) {
      case 'growth':
        if (growsFrom.has(from)) {
          throw new Refusal(`Growth is assumed twice from ${one.from} on. Take one out.`, where)
        }
        growsFrom.add(from)
        return one
      case 'index':
        if (one.season > calendar.seasons) {
          throw new Refusal(
            `There is no season ${one.season}; the series has ${calendar.seasons}.`,
            `${where}.season`,
          )
        }
        if ((one.factor === undefined) === (one.amount === undefined)) {
          throw new Refusal(
            'An index is changed by a factor, in an additive model by an amount: say one of the two.',
            where,
          )
        }
        return one
      case 'amount': {
        const to = one.to ?? one.from
        if (timeCode(to, `${where}.to`) < from) {
          throw new Refusal(`${to} lies before ${one.from}.`, `${where}.to`)
        }
        return { ...one, to }
      }
    }
  })
}

/** Scenarios with names of their own. @throws Refusal for a name twice, and as assumptions do, under their path */
export function completeScenarios(
  scenarios: readonly Scenario[],
  facts: AssumptionFacts,
): readonly Scenario[] {
  const names = new Set<string>()
  return scenarios.map(({ name, assumptions }, i) => {
    const path = `forecast.scenarios.${i}`
    if (names.has(name)) {
      throw new Refusal(`Two scenarios are called "${name}". Rename one.`, `${path}.name`)
    }
    names.add(name)
    return { name, assumptions: completeAssumptions(assumptions, facts, `${path}.assumptions`) }
  })
}
