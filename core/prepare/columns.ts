import { capitalized } from '../series/noun'
import { declare, type Column } from '../column/column'
import { figureOf, operation, plain, type Expression } from '../column/expression'
import type { Input, SeriesRun } from '../column/run'
import type { DesignColumn } from '../regression/design'
import type { Adjustment, Value } from '../series/series'
import type { Stage } from '../stage'
import { PREPARATIONS } from './preparations'
import type { TakenOut } from './prepare'
import type { FilledValue, GapEdge, MissingRule } from './fill/fillMissing'

/** What the columns of the values are made from. */
export interface CaredFor {
  readonly original: readonly Value[]
  readonly value: readonly Value[]
  readonly period: readonly string[]
  readonly adjustments: readonly Adjustment[]
  readonly filled: readonly FilledValue[]
  readonly missing: MissingRule
  /** How an index is put back into a filled value. */
  readonly restore: '×' | '+'
}

/** The column of the values as they are used. */
const USED = 'value'
const STAGES: readonly Stage[] = ['look', 'smooth', 'season', 'deseasonalize', 'project', 'check']

/** The values as the calculation uses them, and as they came in where that is another thing. */
export function columnsOfValues(run: SeriesRun, cared: CaredFor): Column[] {
  const { original, value } = cared
  const isOther = isCaredFor(cared)
  const level = {
    measure: 'level',
    component: 'original',
    mark: 'line-points',
    means: run.unit,
    stages: STAGES,
  } as const
  const used = declare(run.unit, {
    ...level,
    name: USED,
    label: isOther ? `${capitalized(run.noun)} as used` : capitalized(run.noun),
    actual: value,
    arithmetic: (t) => usedValue(run, cared, t),
    whyUndefined: (t) => whyNoValue(run, cared, t),
  })
  if (!isOther) return [used]
  const cameIn = declare(run.unit, {
    ...level,
    name: 'original',
    label: 'As it came in',
    actual: original,
    arithmetic: (t) => figureOf('as it came in', run.value('original', t)!),
    whyUndefined: () => 'No value came in for this period.',
  })
  return [cameIn, used]
}

/** Whether what is used is anywhere another thing than what came in. */
function isCaredFor({ original, value }: CaredFor): boolean {
  return value.some((used, i) => used !== original[i])
}

/** The value the calculation uses: as it came in, replaced, or filled in. */
function usedValue(run: SeriesRun, cared: CaredFor, t: number): Expression {
  const i = t - run.firstT
  const value = cared.value[i]!
  const filled = cared.filled.find((one) => one.t === t)
  if (filled) return fillArithmetic(run, filled, cared.restore)
  // Beside a row of what came in a value that was taken as it is is that cell.
  if (cared.original[i] === value) {
    return isCaredFor(cared) ? run.cell('original', t) : figureOf('as it came in', value)
  }
  return figureOf('put in for what came in', value)
}

/** before + (after − before) × steps ÷ gap, and the season put back where it was taken out. */
function fillArithmetic(
  run: SeriesRun,
  { t, between, index }: FilledValue,
  restore: '×' | '+',
): Expression {
  if (!between) return figureOf('zero for a missing value', 0)
  const { before, after } = between
  const edge = (at: GapEdge) =>
    index === null
      ? run.cell('value', at.t)
      : figureOf(`deseasonalized with the gap (${run.label(at.t)})`, at.value)
  const straight = operation(
    edge(before),
    '+',
    operation(
      operation(edge(after), '−', edge(before)),
      '×',
      operation(plain(t - before.t), '÷', plain(after.t - before.t)),
    ),
  )
  return index === null
    ? straight
    : operation(straight, restore, figureOf('index with the gap', index))
}

function whyNoValue({ firstT }: SeriesRun, cared: CaredFor, t: number): string {
  const code = cared.period[t - firstT]
  const leftOut = cared.adjustments.find(({ period }) => period === code)
  if (leftOut) return `Left out by the analyst: ${leftOut.reason}.`
  return cared.missing === 'leave'
    ? 'No value came in for this period.'
    : 'No value came in for this period, and at the end of a series there is nothing to interpolate between.'
}

/**
 * What was taken out and what is left, of every preparation that takes something out.
 *
 * @param used the values as they are used
 * @param beside columns of season and trend that it was estimated beside
 * @returns its columns, and what is decomposed, smoothed and fitted: the last of them
 */
export function columnsTakenOut(
  run: SeriesRun,
  takenOut: TakenOut | undefined,
  used: readonly Value[],
  beside: readonly DesignColumn[],
): { readonly columns: readonly Column[]; readonly input: Input } {
  let input: Input = { column: USED, values: used }
  const columns = PREPARATIONS.flatMap(({ key, back }) => {
    if (!back || !takenOut || !(key in takenOut)) return []
    const own = back.columns(run, takenOut[key], input, beside)
    const { name, actual } = own.at(-1)!
    input = { column: name, values: actual! }
    return own
  })
  return { columns, input }
}

/** The arithmetic of putting everything back that was taken out. */
export function putBackArithmetic(
  run: SeriesRun,
  takenOut: TakenOut,
  value: Expression,
  t: number,
): Expression {
  return PREPARATIONS.toReversed().reduce(
    (whole, { key, back }) =>
      back && key in takenOut ? back.arithmetic(run, whole, t, takenOut[key]) : whole,
    value,
  )
}

/** The arithmetic of the standard error that this adds to a forecast; null where it is known for sure. */
export function putBackErrorArithmetic(
  run: SeriesRun,
  takenOut: TakenOut,
  whole: Expression,
  t: number,
): Expression | null {
  const errors = PREPARATIONS.flatMap(({ key, back }) =>
    back?.errorArithmetic && key in takenOut
      ? [back.errorArithmetic(run, whole, t, takenOut[key])]
      : [],
  )
  if (errors.length < 2) return errors[0] ?? null
  const squares = errors.map((of): Expression => ({ kind: 'power', of, power: 2 }))
  return { kind: 'root', of: squares.reduce((left, right) => operation(left, '+', right)) }
}
