import { z } from 'zod'
import { Refusal } from '../../core/refusal'
import { answer } from './answer'
import { calcClassical } from './classical'
import { calcForecast } from './forecast'
import { calcMovingAverage } from './movingAverage'

type Calculate = (input: unknown) => unknown

/** What each topic can calculate, by the `kind` of an input. */
const TOPICS: Record<string, Record<string, Calculate>> = {
  classical: {
    'moving-average': calcMovingAverage,
    classical: calcClassical,
    forecast: calcForecast,
  },
}

const kinds = z.object({ kind: z.string() })

/**
 * Answers the inputs of a topic in their order. What a topic or version cannot do is a refusal in
 * the place of that answer, so that one unknown input does not spoil the others.
 *
 * @throws Refusal for a topic that does not exist
 */
export function calculateAll(topic: string, inputs: readonly unknown[]): unknown[] {
  const kindsOfTopic = TOPICS[topic]
  if (!kindsOfTopic) {
    throw new Refusal(
      `There is no topic "${topic}" in this version; there is ${Object.keys(TOPICS).join(', ')}.`,
      'TOPIC',
    )
  }
  return inputs.map((input) =>
    answer(() => {
      const read = kinds.safeParse(input)
      const calculate = read.success ? kindsOfTopic[read.data.kind] : undefined
      if (!calculate) {
        const kind = read.success ? `"${read.data.kind}"` : 'without a kind'
        throw new Refusal(`An input ${kind} is not available in this version.`, 'kind')
      }
      return calculate(input)
    }),
  )
}
