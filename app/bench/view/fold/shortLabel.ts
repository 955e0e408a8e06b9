import { textWidth } from '../textWidth'

/**
 * What a season is headed by in a column of so many pixels: its name or its number, or its first letter, or nothing.
 *
 * @example shortLabel('May', 22) // 'M'
 */
export function shortLabel(label: string, width: number): string {
  const name = label.replace('season ', '')
  const letter = /^\p{L}/u.exec(name)?.[0] ?? ''
  return [name, letter].find((text) => textWidth(text) + 3 <= width) ?? ''
}
