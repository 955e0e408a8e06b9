import type { Cell } from '../cell'
import type { Expression, KindName, OfKind, Regression } from '../expression'
import type { LocalFitPicture } from '../localFit'
import { absolute } from './absolute'
import { average } from './average'
import { cell } from './cell'
import { exp } from './exp'
import { figure } from './figure'
import type { Addresses, Kind } from './kind'
import { ln } from './ln'
import { localFit } from './localFit'
import { normalQuantile } from './normalQuantile'
import { operation } from './operation'
import { power } from './power'
import { regression } from './regression'
import { root } from './root'
import { tQuantile } from './tQuantile'

/** Every kind of expression: one that is missing here, or lacks an answer, does not compile. */
const KINDS: { readonly [Name in KindName]: Kind<OfKind<Name>> } = {
  absolute,
  cell,
  figure,
  average,
  'local-fit': localFit,
  operation,
  root,
  power,
  ln,
  exp,
  regression,
  't-quantile': tQuantile,
  'normal-quantile': normalQuantile,
}

function kindOf(expression: Expression): Kind<Expression> {
  return KINDS[expression.kind] as Kind<Expression>
}

/**
 * Works an expression out.
 *
 * @example evaluate(operation(plain(48210), '÷', plain(36433))) // 1.3232…
 */
export function evaluate(expression: Expression): number {
  return kindOf(expression).evaluate(expression, evaluate)
}

/**
 * Prints an expression, in symbols or with its numbers; parentheses only where the order of
 * operations needs them.
 *
 * @param number how a figure is printed; left out, the symbols are printed instead
 * @example `sales(May 2021) ÷ average(May 2021)`, and with numbers `48,210 ÷ 36,433`
 */
export function write(expression: Expression, number?: (value: number) => string): string {
  return kindOf(expression).print(expression, {
    print: (part) => write(part, number),
    valueOf: evaluate,
    number: number ?? null,
  })
}

/** The expressions that one is made of. */
export function partsOf(expression: Expression): readonly Expression[] {
  return kindOf(expression).parts(expression)
}

/** A figure within a calculation that was made by one of its own. */
export interface MadeFigure {
  readonly symbol: string
  readonly value: number
  readonly made: Expression
}

/** The figures within an expression that were made in turn, as they are read, each once, with what those are made of behind them. */
export function madeIn(expression: Expression): MadeFigure[] {
  const found = new Map<string, MadeFigure>()
  const collect = (part: Expression): void => {
    if (part.kind === 'figure' && part.made && !found.has(part.symbol)) {
      const { symbol, value, made } = part
      found.set(symbol, { symbol, value, made })
      collect(made)
    }
    partsOf(part).forEach(collect)
  }
  collect(expression)
  return [...found.values()]
}

/** The local regression inside an expression, if there is one. */
export function localFitOf(expression: Expression): LocalFitPicture | null {
  if (expression.kind === 'local-fit') return expression.fit
  if (expression.kind !== 'operation') return null
  return localFitOf(expression.left) ?? localFitOf(expression.right)
}

/**
 * The ledger cells an expression was made from, in the order they are read.
 *
 * A figure stands for itself, but for the coefficients of a regression: they come from all of its cells at
 * once, which are named once, after everything else.
 */
export function cellsOf(expression: Expression): Cell[] {
  const cells: Cell[] = []
  const regressions = new Set<Regression>()
  const collect = (part: Expression): void => {
    const own = kindOf(part).cells(part)
    cells.push(...own.cells)
    for (const one of own.regressions) regressions.add(one)
    partsOf(part).forEach(collect)
  }
  collect(expression)
  for (const { y } of regressions) for (const { cell: one } of y) cells.push(one)
  return cells
}

/**
 * An expression as the formula of a spreadsheet, in the notation that all of them read: `.` and `,` whatever the language.
 *
 * @returns null for what no formula can say
 * @example formulaOf(operation(plain(2), '×', cell), { cell: () => 'C7', … }) // '2*C7'
 */
export function formulaOf(expression: Expression, at: Addresses): string | null {
  return kindOf(expression).formula(expression, (part, where = at) => formulaOf(part, where), at)
}
