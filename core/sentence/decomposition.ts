import type { Calendar } from '../calendar/calendar'
import { wayOf, waysFor } from '../decompose/ways'
import type { Method } from '../method'
import { MODELS, type Model } from '../model'
import type { Word } from '../word'

const MODEL_MEANS: Record<Model, string> = {
  multiplicative: 'The swing grows with the level; indices are factors around 1.',
  additive: 'The swing stays the same; indices are amounts around 0.',
}

/** How the parts go together. */
export function modelWord({ decompose }: Method): Word {
  const choices = MODELS.map((model) => ({
    text: model,
    means: MODEL_MEANS[model],
    chosen: decompose.model === model,
    change: { decompose: { model } },
  }))
  return { id: 'model', text: decompose.model, ask: { kind: 'pick', choices } }
}

/** How the series is taken apart; only ways that its calendar allows are offered. */
export function wayWord({ decompose }: Method, calendar: Calendar): Word {
  return {
    id: 'by',
    text: wayOf(decompose.by).says(calendar, decompose.model).text,
    ask: {
      kind: 'pick',
      choices: waysFor(calendar).map(({ name, says }) => {
        const { text, means } = says(calendar, decompose.model)
        return { text, means, chosen: name === decompose.by, change: { decompose: { by: name } } }
      }),
    },
  }
}
