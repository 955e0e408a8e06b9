import { Refusal } from './refusal'

/**
 * Refuses a count of periods that is no whole number within its bounds.
 *
 * @param where path in the method document
 */
export function requireWhole(value: number, lowest: number, highest: number, where: string): void {
  if (Number.isInteger(value) && value >= lowest && value <= highest) return
  const range = highest === Infinity ? `${lowest} or more` : `from ${lowest} to ${highest}`
  const what = Number.isInteger(value) ? 'this must be' : 'this must be a whole number,'
  throw new Refusal(`${value} periods: ${what} ${range}.`.replace('-', '−'), where)
}
