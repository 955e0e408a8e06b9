import { z } from 'zod'
import { Refusal } from '../../refusal'
import type { DesignColumn } from '../design'

const MOST_COLUMNS = 20
const MOST_VALUES = 20_000

/** Columns of one's own, as a person or a script writes them. */
export const givenDocument = {
  given: z
    .array(
      z
        .strictObject({
          name: z.string().trim().min(1, 'A column needs a name.').max(80),
          /** Period of the first figure. */
          from: z.string().min(1).max(20),
          /** One a period from then on, those of the forecast among them. */
          values: z.array(z.number()).min(1).max(MOST_VALUES).readonly(),
        })
        .readonly(),
    )
    .max(MOST_COLUMNS)
    .readonly()
    .optional(),
}

/** Something that is known of every period, and of those to come: a price, the households of a town. */
export interface GivenColumn {
  readonly name: string
  readonly from: string
  readonly values: readonly number[]
}

/** What given columns must know of the forecast. */
export interface GivenFacts {
  /** Time codes of the first and the last period that is fitted. */
  readonly firstT: number
  readonly lastT: number
  readonly horizon: number
  /** Names that are taken already. */
  readonly names: readonly string[]
  /** The time code of a period of the series, or of one ahead. @throws Refusal for any other */
  timeCode(code: string, where: string): number
}

/**
 * Columns with names of their own that reach over all that is fitted and forecast.
 *
 * @throws Refusal by the name of a column that begins too late or ends too early, with how many figures it lacks
 */
export function completeGiven(
  given: readonly GivenColumn[] = [],
  { firstT, lastT, horizon, names, timeCode }: GivenFacts,
): readonly GivenColumn[] {
  const taken = new Set(names)
  given.forEach(({ name, from, values }, i) => {
    const where = `given.${i}`
    if (taken.has(name)) throw new Refusal(`Two columns are called "${name}".`, `${where}.name`)
    taken.add(name)
    const first = timeCode(from, `${where}.from`)
    if (first > firstT) {
      throw new Refusal(
        `"${name}" begins ${first - firstT} periods after what is analysed. Give its figures from the first period on, or take it out.`,
        `${where}.from`,
      )
    }
    const lacks = lastT + horizon - (first + values.length - 1)
    if (lacks > 0) {
      throw new Refusal(
        `"${name}" has ${values.length} figures from ${from} on, and ${lacks} more are needed to reach the end of the forecast. Add them, take a shorter horizon, or take it out.`,
        `${where}.values`,
      )
    }
  })
  return given
}

/** The columns themselves. @param timeCode of a period by its code */
export function givenColumns(
  given: readonly GivenColumn[],
  timeCode: (code: string) => number,
): DesignColumn[] {
  return given.map(({ name, from, values }) => {
    const first = timeCode(from)
    return { name, label: name, means: 'as it was given', at: (t) => values[t - first]! }
  })
}
