import type { Value } from '../series/series'

/** What figures in a narrow column are counted in: the series' unit, or thousands of it. */
export interface DisplayScale {
  readonly divisor: number
  /** What figures are counted in: `thousand litres`; `thousands`, or nothing, for a series without a unit. */
  readonly unit: string
  /** The same behind a figure: `thousand litres`, `thousand`. */
  readonly behind: string
  readonly decimals: number
  /** The same for the values of the series themselves: none for whole numbers shown as they are. */
  readonly valueDecimals: number
  /** Where there is room: so many that figures well below the largest keep four digits too. */
  readonly fineDecimals: number
}

const STEPS = [
  { from: 1e13, divisor: 1e12, word: 'trillion' },
  { from: 1e10, divisor: 1e9, word: 'billion' },
  { from: 1e7, divisor: 1e6, word: 'million' },
  { from: 1e4, divisor: 1e3, word: 'thousand' },
] as const

/**
 * The scale on which the values of a series fit a narrow column with three or four digits. The
 * unit says so; the working of a cell always shows the figures in full.
 *
 * @example displayScale([48210], 'litres') // { divisor: 1000, unit: 'thousand litres', decimals: 1, valueDecimals: 1 }
 */
export function displayScale(values: readonly Value[], unit: string): DisplayScale {
  const largest = values.reduce<number>((most, value) => Math.max(most, Math.abs(value ?? 0)), 0)
  const step = STEPS.find(({ from }) => largest >= from)
  const behind = [step?.word, unit].filter((word) => word).join(' ')
  const scaled = largest / (step?.divisor ?? 1)
  const decimals = scaled >= 1000 ? 0 : scaled >= 10 ? 1 : scaled >= 1 ? 2 : smallDecimals(scaled)
  const whole = !step && values.every((value) => value === null || Number.isInteger(value))
  return {
    divisor: step?.divisor ?? 1,
    unit: step && unit === '' ? `${step.word}s` : behind,
    behind,
    decimals,
    valueDecimals: whole ? 0 : decimals,
    fineDecimals: Math.max(decimals, Math.min(12, 4 - Math.floor(Math.log10(scaled || 1)))),
  }
}

/** A figure on its scale with the unit behind it, where there is one: `48.2 thousand litres`. */
export function withUnit(figure: string, { behind }: Pick<DisplayScale, 'behind'>): string {
  return behind === '' ? figure : `${figure} ${behind}`
}

/** Three digits of the largest value below 1, however small it is. */
function smallDecimals(scaled: number): number {
  return scaled === 0 ? 0 : Math.min(12, 2 - Math.floor(Math.log10(scaled)))
}
