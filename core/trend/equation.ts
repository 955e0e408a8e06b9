import { figure } from '../words/figure'

/**
 * A trend in words, with the real names.
 *
 * @param terms the constant first, then one a column
 * @example equation('sales', [{ name: 'constant', estimate: 40.1 }, { name: 't', estimate: -0.107 }])
 *   // 'sales = 40.1 − 0.107 × t'
 */
export function equation(
  name: string,
  [constant, ...columns]: readonly { readonly name: string; readonly estimate: number }[],
): string {
  const level = constant!.estimate
  const first = level < 0 ? `−${figure(-level)}` : figure(level)
  const rest = columns.map(
    (term) => ` ${term.estimate < 0 ? '−' : '+'} ${figure(Math.abs(term.estimate))} × ${term.name}`,
  )
  return `${name} = ${first}${rest.join('')}`
}
