import { evaluate } from '../../core/column/kinds/kinds'
import type { Expression } from '../../core/column/expression'
import { ledgerOf } from '../../core/ledger/ledger'
import { arithmeticOfTotal, totalsOf, type TotalArithmetic } from '../../core/ledger/totalled'
import { decimalsOfRows } from '../../core/ledger/table'
import type { Result } from '../../core/result'
import type { ReadersFigures } from '../../core/words/readersFigures'
import type { Markup } from './markup'
import type { Workings } from './workings'

/** What a stretch of forecast comes to, or of a level is on average. */
export interface StretchTotal {
  /** `2026`, `2026 Q1`, `Jul 2026 to Dec 2026` */
  readonly label: string
  readonly from: number
  readonly to: number
  /** Periods of it that are forecast. */
  readonly forecast: number
  readonly arithmetic: TotalArithmetic
}

/** Which figure of a stretch. */
export type TotalFigure = keyof TotalArithmetic

/** What a total of a series is called: of a level there is a mean in its place. */
export function totalWord({ series }: Result): 'mean' | 'total' {
  return series.quantity === 'level' ? 'mean' : 'total'
}

/** The year ahead, or as much of one as is forecast. */
export function stretchAhead(result: Result): StretchTotal {
  const { lastT, endT, label, calendar } = ledgerOf(result).run
  const [from, to] = [lastT + 1, Math.min(endT, lastT + Math.max(1, calendar.seasons))]
  const stands = from === to ? label(from) : `${label(from)} to ${label(to)}`
  return {
    label: stands,
    from,
    to,
    forecast: to - from + 1,
    arithmetic: arithmetic(result, { from, to }),
  }
}

/** Totals by year and by quarter, those that there are. */
export function stretchesOf(result: Result, by: 'year' | 'quarter'): StretchTotal[] {
  const rows = totalsOf(result).find((group) => group.by === by)?.rows ?? []
  return rows.map(({ label, from, to, forecast }) => ({
    ...{ label, from, to, forecast },
    arithmetic: arithmetic(result, { from, to }),
  }))
}

function arithmetic(result: Result, stretch: { from: number; to: number }): TotalArithmetic {
  return arithmeticOfTotal(ledgerOf(result), stretch, result.series.quantity === 'level')
}

/** A figure of a stretch as it is written. */
export function writtenTotal(
  result: Result,
  says: ReadersFigures,
  which: TotalFigure,
  value: number,
): string {
  return which === 'change' ? says.change(value) : says.decimals(value, decimalsOfValue(result))
}

/** A figure of a stretch that opens its working; null where it is undefined. */
export function totalFigure(
  workings: Workings,
  { label, arithmetic }: StretchTotal,
  which: TotalFigure,
  text?: string,
): Markup | null {
  const { result, says } = workings
  const expression = arithmetic[which]
  if (!expression) return null
  const word = totalWord(result)
  const isChange = which === 'change'
  return workings.other(
    {
      title: `${TITLES[which](word)}, ${label}`,
      means: isChange ? `${word} ÷ that of a year before − 1` : `${word} of the periods`,
      unit: isChange ? '%' : result.series.unit,
      expression,
    },
    text ?? writtenTotal(result, says, which, evaluate(expression)),
  )
}

const TITLES: Readonly<Record<TotalFigure, (word: string) => string>> = {
  own: (word) => (word === 'mean' ? 'Mean' : 'Total'),
  before: (word) => `${word === 'mean' ? 'Mean' : 'Total'} a year before`,
  change: () => 'Change on the year before',
}

/** Decimals that a value of the series is written with. */
export function decimalsOfValue(result: Result): number {
  return decimalsOfRows(result)(ledgerOf(result).find('value')!)
}

/** The figure of an arithmetic; null without one. */
export function valueOf(expression: Expression | null): number | null {
  return expression && evaluate(expression)
}
