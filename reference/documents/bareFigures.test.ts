import { expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import type { Expression } from '../../core/column/expression'
import { columnValues, ledgerOf } from '../../core/ledger/ledger'
import { orNull } from '../../core/refusal'
import { DOCUMENT_CASES, seriesOfCase } from './cases'

/** The columns that have cells made of figures which no formula says, and why. */
const BARE: readonly (readonly [column: RegExp, reason: string])[] = [
  [/^original$/, 'it came in'],
  [
    /^value$/,
    'it came in, was put in by hand, or is filled by indices that were estimated with the gap',
  ],
  [/^round[12]:weight/, 'up to the lower limit it is 1, beyond the upper 0'],
  [/^carriedOn$/, 'a forecast with a ledger of its own'],
  [/^yearlyStep$/, 'a least-squares problem over all years at once'],
  [/^weight$/, 'the irregular of the run before the last is in no row'],
  [
    /^index$/,
    'a season that never changes is the mean of what the last pass of loess had smoothed',
  ],
  [
    /^(trend|fitted)$/,
    'the first period follows from the states before it, which a search has found',
  ],
  [
    /^(lower|upper):/,
    'a quantile of simulated paths, or of a normal distribution on the scale of a power',
  ],
  [
    /^(predicted|fitted|fitted, prepared|forecast|surprise)$/,
    'the filter of an ARIMA model over a gap, and where its differences begin',
  ],
  [/^variance$/, 'of the first period ahead it is ψ₀², which is 1'],
  [/^member:/, 'a method of its own, with a ledger of its own'],
  [/^(design|event|calendar) /, 'a column of a regression is counted from the calendar'],
  [/^calendarError$/, 'the covariance of some coefficients of a regression is in no row'],
]

/** Whether an expression goes down to a cell, or to a figure that says what made it. */
function isMade(expression: Expression): boolean {
  switch (expression.kind) {
    case 'cell':
    case 'local-fit':
    case 'regression':
      return true
    case 'figure':
      return expression.made !== undefined
    case 'average':
      return expression.terms.some(isMade)
    case 'operation':
      return isMade(expression.left) || isMade(expression.right)
    case 't-quantile':
      return isMade(expression.df)
    case 'normal-quantile':
      return true
    default:
      return isMade(expression.of)
  }
}

it('every cell goes down to cells and figures that were made, but for those of listed columns', () => {
  const bare = new Set<string>()
  for (const own of DOCUMENT_CASES) {
    const result = orNull(() => analyse(seriesOfCase(own), { ...own.method, check: undefined }))
    if (!result) continue
    const ledger = ledgerOf(result)
    for (const column of ledger.columns) {
      columnValues(ledger, column).forEach((value, i) => {
        if (value !== null && !isMade(column.arithmetic(ledger.run.firstT + i))) {
          bare.add(column.name)
        }
      })
    }
  }
  const unlisted = [...bare].filter((name) => !BARE.some(([column]) => column.test(name)))
  expect(unlisted).toEqual([])
  // A reason that no column needs any more is taken out of the list.
  for (const [column, reason] of BARE) {
    expect(
      [...bare].some((name) => column.test(name)),
      reason,
    ).toBe(true)
  }
})
