/**
 * The whole number in a field that was just changed; what is none puts the present one back into the field.
 *
 * @param least smallest that makes sense
 */
export function wholeFrom(event: Event, least: number, present: number): number {
  const field = event.target as HTMLInputElement
  const value = Number(field.value)
  if (Number.isInteger(value) && value >= least && value <= 1000) return value
  field.value = String(present)
  return present
}
