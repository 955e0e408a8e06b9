import { figure } from '../words/figure'

/**
 * A straight line in words, with the real names.
 *
 * @example equation('deseasonalized sales', 40.1, -0.107) // 'deseasonalized sales = 40.1 − 0.107 × t'
 */
export function equation(name: string, intercept: number, slope: number): string {
  const sign = slope < 0 ? '−' : '+'
  const constant = intercept < 0 ? `−${figure(-intercept)}` : figure(intercept)
  return `${name} = ${constant} ${sign} ${figure(Math.abs(slope))} × t`
}
