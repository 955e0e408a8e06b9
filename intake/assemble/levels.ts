import type { ValuedSeries } from '../numbers/readValues'
import type { Gathering } from '../../core/series/gather'

/** Words of headings over values that hold at a time and do not add up over time; the mean speaks for a month of them. */
const MEANS =
  /temperat|rate\b|price|preis|prix|precio|kurs|index|share|percent|ratio|utili[sz]|average|avg|mean\b|density|speed|humidity|score|margin|quote|anteil/i
/** Stocks, of which the last says where a month ended. */
const LASTS =
  /stock|inventor|level|balance|headcount|employees|staff|bestand|lager|saldo|members|subscribers|backlog|debt|on hand|outstanding/i
const MEAN_UNITS = /^(%|‰|°c|°f|°|percent|pct|.*(\/| per ).*)$/i

/** What adds up over time, what holds at a time and is averaged, and what is left at the end. */
export type Kind = 'flow' | 'price' | 'balance'

/** What the values of a series are, by their heading and unit, unless the analyst says otherwise. */
export function quantityOf({ measure, unit }: ValuedSeries): Kind {
  if (LASTS.test(measure)) return 'balance'
  return MEANS.test(measure) || MEAN_UNITS.test(unit) ? 'price' : 'flow'
}

/** How values of each become one of a month unless the analyst says otherwise. */
export const USUAL_GATHERING: Record<Kind, Gathering> = {
  flow: 'sum',
  price: 'mean',
  balance: 'last',
}
