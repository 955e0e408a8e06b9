import { calculate } from '../calculate'
import { completeMethod, spanOf } from '../completeMethod'
import { waysFor } from '../decompose/ways'
import { examine } from '../examine'
import type { MethodChange } from '../finding'
import { FORECAST_WAYS, forecastWayOf } from '../forecast/ways'
import { changed, type MethodDocument } from '../method'
import { methodName } from '../methodName'
import type { Model } from '../model'
import { Refusal } from '../refusal'
import type { Series } from '../series/series'

/** A method that takes part in a contest. */
export interface Candidate {
  readonly name: string
  readonly document: MethodDocument
}

/**
 * The methods that a series admits, in the order in which the ways offer them: each way adds its own lines.
 *
 * @param document gives what is not in question: span, missing values, values left out, horizon, limits and check
 * @throws Refusal for a span or check that the series does not have
 */
export function candidatesFor(series: Series, document: MethodDocument): Candidate[] {
  const base = givenBy(document)
  const { firstT, lastT } = spanOf(base, series)
  const { calendar } = series
  const model = modelToTake(series, base)
  const decompositions = waysFor(calendar)
    .filter((way) => way.entersContest(calendar))
    .map(({ name }): MethodChange => ({ decompose: { by: name, model } }))
  const facts = { seasons: calendar.seasons, periods: lastT - firstT + 1, model, decompositions }
  return FORECAST_WAYS.flatMap(({ name }) => forecastWayOf(name).candidates(facts)).map((change) =>
    candidate(series, changed(base, change)),
  )
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
function givenBy({
  format,
  span,
  missing,
  decompose,
  forecast,
  check,
}: MethodDocument): MethodDocument {
  const exclude = decompose && 'exclude' in decompose ? decompose.exclude : undefined
  const { horizon, levels, limits } = forecast ?? {}
  return {
    format,
    ...(span ? { span } : {}),
    ...(missing === undefined ? {} : { missing }),
    ...(exclude ? { decompose: { exclude } } : {}),
    forecast: { horizon, levels, limits },
    ...(check ? { check } : {}),
  }
}

/** The model that is advised; without advice, or where either will do, the one that is taken by itself. */
function modelToTake(series: Series, base: MethodDocument): Model {
  const usual = completeMethod(base, series).decompose.model
  try {
    const { advisedModel } = examine(calculate(series, base))
    return advisedModel && !advisedModel.close ? advisedModel.better : usual
  } catch (error) {
    if (error instanceof Refusal) return usual
    throw error
  }
}
