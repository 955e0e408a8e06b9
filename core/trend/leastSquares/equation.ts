import { figure } from '../../words/figure'

/**
 * A trend in words, with the real names.
 *
 * @param terms the constant first, then one a column
 * @example equation('deseasonalized litres', [{ label: 'constant', estimate: 40.1 }, { label: 'time code', estimate: -0.107 }])
 *   // 'deseasonalized litres = 40.1 − 0.107 × time code'
 */
export function equation(
  name: string,
  [constant, ...columns]: readonly { readonly label: string; readonly estimate: number }[],
): string {
  const level = constant!.estimate
  const first = level < 0 ? `−${figure(-level)}` : figure(level)
  const rest = columns.map(
    ({ label, estimate }) =>
      ` ${estimate < 0 ? '−' : '+'} ${figure(Math.abs(estimate))} × ${label}`,
  )
  return `${name} = ${first}${rest.join('')}`
}
