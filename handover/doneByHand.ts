import { periodLabel } from '../core/calendar/labels'
import { parsePeriod } from '../core/calendar/codes'
import type { Assumption } from '../core/forecast/assumptions/options'
import { assumptionWords } from '../core/forecast/assumptions/words'
import { calendarOfResult } from '../core/ledger/calendarOfResult'
import { exclusionsOf } from '../core/method'
import type { Result } from '../core/result'
import type { Value } from '../core/series/series'
import { figure } from '../core/words/figure'

/** Things of one kind that the analyst did, in words with their reasons. */
export interface ByHand {
  /** `adjusted by hand`, `left out of the season`, `assumed`, `scenario NAME` */
  readonly what: string
  readonly texts: readonly string[]
}

/**
 * What of a result is not calculated but the analyst's own: values replaced, periods left out of the season, assumptions.
 *
 * @returns one entry for each kind of which there is something
 * @example { what: 'adjusted by hand', texts: ['Jun 2019: 30,100 for 12,400 (flood)'] }
 */
export function doneByHand(result: Result): ByHand[] {
  const { adjustments, columns, method, series } = result
  const calendar = calendarOfResult(result)
  const labelOf = (code: string) => {
    const period = parsePeriod(code, calendar)
    return period ? periodLabel(period, calendar) : code
  }
  const came = new Map(columns.period.map((code, i) => [code, columns.original[i]!]))
  const assumed = (all: readonly Assumption[]) =>
    all.map(
      (one) => `${assumptionWords(one, { calendar, unit: series.unit, labelOf })} (${one.reason})`,
    )
  const { assumptions = [], scenarios = [] } = method.forecast
  const all: ByHand[] = [
    {
      what: 'adjusted by hand',
      texts: adjustments.map(
        ({ period, value, reason }) =>
          `${labelOf(period)}: ${amount(value)} for ${amount(came.get(period) ?? null)} (${reason})`,
      ),
    },
    {
      what: 'left out of the season',
      texts: exclusionsOf(method).map(({ period, reason }) => `${labelOf(period)} (${reason})`),
    },
    { what: 'assumed', texts: assumed(assumptions) },
    ...scenarios.map(({ name, assumptions: own }) => ({
      what: `scenario ${name}`,
      texts: assumed(own),
    })),
  ]
  return all.filter(({ texts }) => texts.length > 0)
}

function amount(value: Value): string {
  return value === null ? 'nothing' : figure(value)
}
