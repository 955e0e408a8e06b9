import type { MethodChange } from '../finding'
import type { BreakAt } from './options'

/** What makes the trend a line with these breaks; what belongs to another form is left behind. */
export function breakChange(breaks: readonly BreakAt[]): MethodChange {
  return { trend: { form: 'breaks', breaks }, forecast: { backTransform: undefined } }
}
