/**
 * Words one after another, the last with an and.
 *
 * @example listed(['trading days', 'leap days', 'Easter']) // 'trading days, leap days and Easter'
 */
export function listed(words: readonly string[]): string {
  if (words.length < 2) return words.join('')
  return `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
}
