import { formatPeriod, periodAt } from './calendar/period'
import { calculate, type Figures } from './calculate'
import { check, type Checked } from './check/check'
import { withPastErrors } from './check/pastErrorLimits'
import { examine, type Examined } from './examine'
import { findingsOf } from './findings/findings'
import { seriesFacts } from './look'
import type { MethodDocument } from './method'
import { RESULT_FORMAT, type Result } from './result'
import type { Series } from './series/series'

/**
 * Runs a method on a series: the one entrance that screen, HTTP and command line call.
 *
 * @param series values in units of `series.unit`, one a period
 * @param document the method; what it leaves out takes its default
 * A check is made where the document asks for one.
 *
 * @returns every column of the calculation over the analysed span, the indices, the trend report,
 *   the forecast with its limits, error figures and findings
 * @throws Refusal when the method cannot be carried out on this series, with the reason
 */
export function analyse(series: Series, document: MethodDocument): Result {
  const figures = withPastErrors(calculate(series, document), document)
  const checked = document.check ? check(series, document) : null
  return resultOf(figures, examine(figures), checked)
}

function resultOf(
  figures: Figures,
  { straight, ...examined }: Examined,
  checked: Checked | null,
): Result {
  const { series, method, prepared, columns, decomposed, ahead } = figures
  const { calendar, start } = series
  const period = ahead.t.map((t) => periodAt(start, t, calendar.seasons))
  return {
    format: RESULT_FORMAT,
    series: seriesFacts(series),
    method,
    adjustments: series.adjustments ?? [],
    filled: prepared.filled,
    columns,
    decomposition: decomposed.taken,
    seasonCost: decomposed.season?.cost ?? 0,
    ...examined,
    forecast: {
      ...ahead,
      period: period.map((one) => formatPeriod(one, calendar)),
      season: period.map(({ season }) => season),
    },
    ...(checked ? { check: checked } : {}),
    findings: [...findingsOf(figures, { ...examined, straight }), ...(checked?.findings ?? [])],
  }
}
