import type { Quantity } from '~~/core/series/quantity'

/** What values do over time, as it is chosen. */
export const QUANTITY_CHOICES: readonly { value: Quantity; title: string }[] = [
  { value: 'flow', title: 'add up, as sales' },
  { value: 'level', title: 'a level, as a price' },
]
