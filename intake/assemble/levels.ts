import type { ValuedSeries } from '../numbers/readValues'
import type { Gathering } from './gather'

/** Words of headings over values that hold at a time and do not add up over time; the mean speaks for a month of them. */
const MEANS =
  /temperat|rate\b|price|preis|prix|precio|kurs|index|share|percent|ratio|utili[sz]|average|avg|mean\b|density|speed|humidity|score|margin|quote|anteil/i
/** Stocks, of which the last says where a month ended. */
const LASTS =
  /stock|inventor|level|balance|headcount|employees|staff|bestand|lager|saldo|members|subscribers|backlog|debt|on hand|outstanding/i
const MEAN_UNITS = /^(%|‰|°c|°f|°|percent|pct|.*(\/| per ).*)$/i

/** How values of a series become one of a month unless the analyst says otherwise. */
export function usualGathering({ measure, unit }: ValuedSeries): Gathering {
  if (LASTS.test(measure)) return 'last'
  return MEANS.test(measure) || MEAN_UNITS.test(unit) ? 'mean' : 'sum'
}

/** The one way that is usual for all series; undefined where they differ and it must be asked. */
export function commonGathering(series: readonly ValuedSeries[]): Gathering | undefined {
  const ways = new Set(series.map(usualGathering))
  return ways.size === 1 ? [...ways][0] : undefined
}
