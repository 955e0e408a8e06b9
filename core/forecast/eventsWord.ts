import type { Events } from '../regression/regressors/eventOptions'
import type { GivenColumn } from '../regression/regressors/givenOptions'
import type { Piece } from '../word'

/** What a forecast knows beside its values: a word that lists it. */
export function eventsWord(events: Known): Piece {
  const text = eventsText(events)
  return { id: 'events', text: text ?? 'no events', ask: { kind: 'own' } }
}

/** `1 event`, `2 events and 1 column`; null without any */
export function eventsText({ indicators, steps, given = [] }: Known): string | null {
  const counted = [
    [indicators.length + steps.length, 'event'],
    [given.length, 'column'],
  ] as const
  const parts = counted.flatMap(([count, what]) =>
    count === 0 ? [] : [`${count} ${what}${count === 1 ? '' : 's'}`],
  )
  return parts.length === 0 ? null : parts.join(' and ')
}

/** What happened, and of a way that takes columns of one's own those. */
interface Known extends Events {
  readonly given?: readonly GivenColumn[]
}
