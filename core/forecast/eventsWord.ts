import type { Events } from '../regression/regressors/eventOptions'
import type { Piece } from '../word'

/** How many things a forecast knows of that happened: a word that lists them. */
export function eventsWord(events: Events): Piece {
  const text = eventsText(events)
  return { id: 'events', text: text ?? 'no events', ask: { kind: 'own' } }
}

/** `1 event`, `2 events`; null without any */
export function eventsText({ indicators, steps }: Events): string | null {
  const count = indicators.length + steps.length
  return count === 0 ? null : `${count} ${count === 1 ? 'event' : 'events'}`
}
