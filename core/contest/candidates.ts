import { completeMethod, spanOf } from '../completeMethod'
import { begin } from '../begin'
import { calculate } from '../calculate'
import { exclusionsIn, MOVING_WAY, waysFor } from '../decompose/ways'
import type { MethodChange } from '../finding'
import { DAMPED_SMOOTHING, FORECAST_WAYS, forecastWayOf } from '../forecast/ways'
import { changed, type MethodDocument } from '../method'
import { methodName } from '../methodName'
import { preparationsOf } from '../prepare/preparations'
import { calendarTakenIn, isBeyondChance } from '../prepare/calendar/reading'
import { hasCalendarEffects, WHERE_IT_HELPS } from '../prepare/calendar/words'
import { orNull, Refusal } from '../refusal'
import type { Series } from '../series/series'
import { smoothedChange } from '../trend/formChange'
import { meanOf } from './meanOf'

/** A method that takes part in a contest. */
export interface Candidate {
  readonly name: string
  readonly document: MethodDocument
  /** How its forecasts are made, where that is not the method itself: with its slow choices made beforehand, say. */
  readonly triedAs?: MethodDocument
  /** Whether it is the method that the series begins with. */
  readonly begins?: boolean
  /** Of a mean of two others that take part: their names. It forecasts what they have forecast. */
  readonly madeOf?: readonly [string, string]
}

/**
 * The methods that a series admits: the one it begins with, then the lines of the ways in their order, then the means of a
 * method that follows the deseasonalized series and of one that smooths the values, which are wrong in different ways.
 *
 * @param document gives what is not in question: span, missing values, values left out, horizon, limits and check
 * @throws Refusal for a span or check that the series does not have
 */
export function candidatesFor(series: Series, document: MethodDocument): Candidate[] {
  const base = givenBy(document)
  const { firstT, lastT } = spanOf(base, series)
  const { calendar } = series
  const begun = begin(series, base).method
  // The beginning has asked which model fits already; without a season it has no need to, and the usual one is taken.
  const model = begun.decompose?.model ?? completeMethod(base, series).decompose.model
  const decompositions = waysFor(calendar)
    .filter((way) => way.entersContest(calendar))
    .map(({ name }): MethodChange => ({ decompose: { by: name, model } }))
  const own = { ...candidate(series, begun), begins: true }
  const facts = { seasons: calendar.seasons, periods: lastT - firstT + 1, model, decompositions }
  const lines = FORECAST_WAYS.flatMap(({ name }) => forecastWayOf(name).candidates(facts)).map(
    (change) => candidate(series, changed(base, change)),
  )
  const all = [own, ...lines.filter(({ name }) => name !== own.name)]
  const [usual = {}] = decompositions
  const nameOf = (change: MethodChange) => candidate(series, changed(base, change)).name
  const find = (change: MethodChange) => all.find(({ name }) => name === nameOf(change))
  const damped = find({ ...usual, ...DAMPED_SMOOTHING })
  const moving = {
    decompose: { ...MOVING_WAY.change.decompose, model },
    ...smoothedChange('damped'),
  }
  return [
    ...all,
    ...otherCalendar(series, own),
    ...[own, find(moving)].flatMap((one) =>
      one && damped ? meanCandidate(series, one, damped) : [],
    ),
  ]
}

/**
 * The method that the series begins with, with its calendar effects left in or taken out, whichever it does not do; none where
 * nothing of the calendar is more than chance.
 */
function otherCalendar(series: Series, { name, document }: Candidate): Candidate[] {
  const { calendar, ...without } = document
  if (calendar) return [{ name: `${name}; calendar effects left in`, document: without }]
  if (!hasCalendarEffects(series)) return []
  const taken = { ...document, calendar: WHERE_IT_HELPS }
  const found = orNull(() => calculate(series, taken).prepared.takenOut)
  const isAny = calendarTakenIn(found)?.groups.some(isBeyondChance)
  return isAny ? [{ name: `${name}; without calendar effects`, document: taken }] : []
}

/** The mean of two of the candidates as one more; none of one with itself. */
function meanCandidate(series: Series, one: Candidate, other: Candidate): Candidate[] {
  if (one.name === other.name) return []
  const both = candidate(series, meanOf([one.document, other.document]))
  return [{ ...both, madeOf: [one.name, other.name] }]
}

/** A method as a candidate, under a name that says what it is; of a refused method no more than its way. */
export function candidate(series: Series, document: MethodDocument): Candidate {
  try {
    return { name: methodName(completeMethod(document, series), series.calendar), document }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { name: 'A method that cannot be carried out', document }
  }
}

/** What of a method is no choice between methods. */
function givenBy(document: MethodDocument): MethodDocument {
  const { format, span, decompose, forecast, check } = document
  const exclude = exclusionsIn(decompose)
  const { horizon, levels, limits } = forecast ?? {}
  return {
    format,
    ...(span ? { span } : {}),
    ...preparationsOf(document),
    ...(exclude ? { decompose: { exclude } } : {}),
    forecast: { horizon, levels, limits },
    ...(check ? { check } : {}),
  }
}
