/**
 * What values are over time: a flow adds up (sales of a month, of which twelve make a year), a level holds at a time (a price, a
 * rate, a stock), of which a year has a mean.
 */
export const QUANTITIES = ['flow', 'level'] as const
export type Quantity = (typeof QUANTITIES)[number]
