/** Words that say what the values of a series are; the longest that a name holds is taken. */
const MEASURES = [
  'sales',
  'orders',
  'order intake',
  'demand',
  'turnover',
  'revenue',
  'takings',
  'receipts',
  'shipments',
  'deliveries',
  'price',
  'prices',
  'price index',
  'cost index',
  'index',
  'cost',
  'costs',
  'rate',
  'growth',
  'output',
  'production',
  'consumption',
  'visits',
  'visitors',
  'passengers',
  'calls',
  'returns',
  'stock',
  'stocks',
  'inventory',
  'volume',
  'share',
  'temperature',
  'income',
  'employment',
] as const

/** What values are called when neither the analyst nor the heading says it. */
const VALUES = 'values'

/**
 * What the values of a series are called in a line of words: as the analyst says, else by the word for it in the
 * heading, else "values", which is never wrong.
 *
 * @example nounOf({ name: 'Paint price index' }) // 'price index'
 */
export function nounOf({ name, noun }: { readonly name: string; readonly noun?: string }): string {
  if (noun?.trim()) return noun.trim()
  const words = ` ${name.toLowerCase().replace(/[^\p{L}]+/gu, ' ')} `
  const held = MEASURES.filter((measure) => words.includes(` ${measure} `))
  return (
    held.reduce<string>((longest, one) => (one.length > longest.length ? one : longest), '') ||
    VALUES
  )
}

/** The same at the beginning of a line. */
export function capitalized(words: string): string {
  const [first = '', ...rest] = words
  return first.toUpperCase() + rest.join('')
}
