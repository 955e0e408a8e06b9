import { axisOf } from './calendar/axis'
import { prepare } from './prepare/prepare'
import { spanOf } from './completeMethod'
import { careFindings, leftOutByHand } from './findings/careFindings'
import { missingFindings } from './findings/missingFindings'
import { peakFindings } from './findings/lookFindings'
import type { MethodDocument } from './method'
import { Refusal } from './refusal'
import type { Looked, SeriesFacts } from './result'
import { nounOf } from './series/noun'
import type { Series } from './series/series'

/** What a result says of its series. */
export function seriesFacts(series: Series): SeriesFacts {
  const { name, noun, unit, quantity = 'flow', calendar, values } = series
  const code = axisOf(series).codeAt
  return {
    name,
    unit,
    noun: nounOf({ name, noun }),
    quantity,
    frequency: calendar.frequency,
    seasons: calendar.seasons,
    yearStart: calendar.yearStart,
    ...(calendar.seasonNames ? { seasonNames: calendar.seasonNames } : {}),
    start: code(1),
    end: code(values.length),
    periods: values.length,
    missing: values.filter((value) => value === null).length,
  }
}

/**
 * What can be looked at of a series whatever its method: the values made ready, peaks, what looks mistyped.
 * A refused method leaves this, so that one sees what one has.
 *
 * @param document of which the span, where there is such a one, and the rule for gaps are kept
 * @throws Refusal for values that nothing can be calculated with
 */
export function lookAt(series: Series, document: MethodDocument): Looked {
  const { span, firstT, lastT } = possibleSpan(series, document)
  // Gaps filled with their season need a decomposition; here they stay.
  const missing = document.missing === 'seasonal' ? 'leave' : (document.missing ?? 'leave')
  const { original, used, filled } = prepare(series, {
    ...{ firstT, lastT, choices: { missing }, model: 'additive' },
    ...{ endT: lastT, beside: () => [], leftOut: new Set(), indexOf: () => null },
  })
  const t = used.values.map((_, i) => firstT + i)
  return {
    series: seriesFacts(series),
    method: { span, missing },
    adjustments: series.adjustments ?? [],
    filled,
    columns: {
      period: t.map(axisOf(series).codeAt),
      t,
      season: used.seasonOf,
      original: original.values,
      value: used.values,
    },
    findings: [
      ...peakFindings(used),
      ...careFindings(used, series.adjustments ?? [], filled, missing, series.unit),
      ...missingFindings(used, {
        leftOut: leftOutByHand(series.adjustments ?? []),
        hasSeason: false,
      }),
    ],
  }
}

/** The span of the document, or the whole series where it is the span that is refused. */
function possibleSpan(series: Series, document: MethodDocument) {
  try {
    return spanOf(document, series)
  } catch (error) {
    if (error instanceof Refusal) return spanOf({}, series)
    throw error
  }
}
