import { formatPeriod, periodAt } from './calendar/period'
import { calculate, type Figures } from './calculate'
import { check, type Checked } from './check/check'
import { withPastErrors } from './check/pastErrorLimits'
import { examine, type Examined } from './examine'
import type { Weights } from './exponential/forms'
import { forecastWayOf } from './forecast/ways'
import type { Hear } from './forecast/way'
import { findingsOf } from './findings/findings'
import { seriesFacts } from './look'
import { changed, type MethodDocument } from './method'
import { asTried, mends, taken, withOffers, type Run, type Standing } from './offers'
import { orNull } from './refusal'
import { RESULT_FORMAT, type Result } from './result'
import type { Series } from './series/series'

/**
 * Runs a method on a series: the one entrance that screen, HTTP and command line call.
 *
 * @param series values in units of `series.unit`, one a period
 * @param document the method; what it leaves out takes its default
 * @param hear is told how far a long choice has come
 *
 * A check is made where the document asks for one; every offer is then tried, and made only where it mends.
 *
 * @returns every column of the calculation over the analysed span, the indices, the trend report,
 *   the forecast with its limits, error figures and findings
 * @throws Refusal when the method cannot be carried out on this series, with the reason
 */
export function analyse(series: Series, document: MethodDocument, hear?: Hear): Result {
  const result = run(series, document, hear)
  return document.check ? withTriedOffers(result, { series, document }) : result
}

/** Makes only those offers that mend, which a check can tell. */
function withTriedOffers(result: Result, own: Run): Result {
  const document = asTried(own.document)
  const before =
    document === own.document ? standingOf(result) : standingAfter({ ...own, document })
  if (!before) return result
  const findings = withOffers(result.findings, (finding, action) =>
    mends(finding, action, before, standingAfter(taken({ ...own, document }, action))),
  )
  return { ...result, findings }
}

function standingAfter({ series, document }: Run): Standing | null {
  const result = orNull(() => run(series, document))
  return result && standingOf(result)
}

function standingOf({ findings, check }: Result): Standing {
  return { findings, off: check?.verdict?.method ?? null }
}

function run(series: Series, document: MethodDocument, hear?: Hear): Result {
  const figures = withPastErrors(calculate(series, document, hear), document)
  const checked = document.check ? check(series, document) : null
  return resultOf(figures, examine(figures), checked)
}

function resultOf(
  figures: Figures,
  { straight, ...examined }: Examined,
  checked: Checked | null,
): Result {
  return {
    format: RESULT_FORMAT,
    ...numbersOf(figures),
    ...examined,
    ...(checked ? { check: checked } : {}),
    findings: [...findingsOf(figures, { ...examined, straight }), ...(checked?.findings ?? [])],
  }
}

/** What of a result is numbers alone. */
function numbersOf({ series, method, prepared, columns, decomposed, ahead }: Figures) {
  const { calendar, start } = series
  const period = ahead.t.map((t) => periodAt(start, t, calendar.seasons))
  return {
    series: seriesFacts(series),
    method,
    adjustments: series.adjustments ?? [],
    filled: prepared.filled,
    columns,
    decomposition: decomposed.taken,
    seasonCost: decomposed.season?.cost ?? 0,
    forecast: {
      ...ahead,
      period: period.map((one) => formatPeriod(one, calendar)),
      season: period.map(({ season }) => season),
    },
  }
}

/**
 * A result with the numbers of other weights, while a hand moves one: nothing is chosen anew, and what was judged stays
 * until the hand is still.
 *
 * @returns null for a way of forecasting without weights
 * @throws Refusal for weights that leave what the form asks for
 */
export function previewOf(
  result: Result,
  series: Series,
  document: MethodDocument,
  weights: Weights,
): Result | null {
  const change = forecastWayOf(result.forecast.by).withWeights?.(result.forecast, weights)
  if (!change) return null
  return {
    ...result,
    ...numbersOf(
      calculate(series, changed({ ...document, check: undefined }, { forecast: change })),
    ),
  }
}
