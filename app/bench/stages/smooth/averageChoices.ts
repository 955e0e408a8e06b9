import type { AverageKind } from '~~/core/smoothing/averageKinds'

/** The usual first average of a yearly series. */
export const YEARLY_ORDER = 5

/** The orders that are worth comparing for a season of this length, from none to more than a year. */
export function ordersFor(seasons: number): number[] {
  const year = seasons < 2 ? [] : [seasons - 1, seasons, seasons + 1, 2 * seasons]
  const usual = [1, 3, 5, 7, 9, ...year]
  return [...new Set(usual.filter((order) => order >= 1))].sort((a, b) => a - b)
}

/** How a person writes an average. */
export type Written =
  | { readonly by: 'order'; readonly order: string }
  | { readonly by: 'composite'; readonly p: string; readonly q: string }
  | { readonly by: 'trailing'; readonly order: string }
  | { readonly by: 'spencer' }
  | { readonly by: 'henderson'; readonly length: string }
  | { readonly by: 'weights'; readonly weights: string }

/** Reads what was written; what is no number is NaN, which the core refuses by name. */
export function averageFrom(written: Written): AverageKind {
  switch (written.by) {
    case 'order':
      return { kind: 'centred', order: numberIn(written.order) }
    case 'composite':
      return { kind: 'composite', p: numberIn(written.p), q: numberIn(written.q) }
    case 'trailing':
      return { kind: 'trailing', order: numberIn(written.order) }
    case 'spencer':
      return { kind: 'spencer' }
    case 'henderson':
      return { kind: 'henderson', length: numberIn(written.length) }
    case 'weights':
      return {
        kind: 'weights',
        weights: written.weights
          .split(/[;\s]+/)
          .filter((word) => word !== '')
          .map(weightIn),
      }
  }
}

function numberIn(text: string): number {
  return text.trim() === '' ? NaN : Number(text)
}

/** `0.25`, `0,25`, `1/4` or `-3/320`. */
function weightIn(text: string): number {
  const [over, under] = text.replace(',', '.').split('/')
  return numberIn(over!) / (under === undefined ? 1 : numberIn(under))
}
