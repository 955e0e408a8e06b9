/**
 * What stands behind a period and is no part of it: a star, or the letter of a forecast, an estimate, a plan or a budget.
 *
 * Letters stand directly behind a figure (`Jul-23E`) or in brackets (`Jan 2024 (F)`); a small letter only in brackets, or behind a
 * year of four figures.
 */
const MARKED =
  /^(.*[\p{L}\d]\.?)\s*(\((?:[efpb]|est|fcst|fc|forecast|plan|budget|prog|prov|vorl)\.?\)|(?<=\d) ?[EFPB]|(?<=\d{4})[efpb]|[*†‡]+)$/iu

/**
 * A period without the mark behind it.
 *
 * @returns null for a text that bears none
 * @example periodMark('Jul-23E') // { text: 'Jul-23', mark: 'E' }
 */
export function periodMark(text: string): { readonly text: string; readonly mark: string } | null {
  const match = MARKED.exec(text)
  if (!match) return null
  const mark = match[2]!.trim()
  // A letter that is small where capitals are meant is one of a word.
  if (/^[efpb]$/.test(mark) && !/\d{4}$/.test(match[1]!)) return null
  return { text: match[1]!.trim(), mark: mark.replace(/[()]/g, '') }
}
