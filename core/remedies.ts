import { assume } from './assume'
import { calculate } from './calculate'
import { withPastErrors } from './check/pastErrorLimits'
import { exclusionsIn, WITHOUT_SEASON } from './decompose/ways'
import { DEFAULT_FORECAST } from './forecast/ways'
import type { MethodAction, MethodChange } from './finding'
import { changed, type MethodDocument } from './method'
import { Refusal } from './refusal'
import type { Series } from './series/series'
import { LINE, withLast } from './trend/formChange'

/** Single choices that may make a refused method possible, the least far-reaching first. */
function candidates(document: MethodDocument): readonly MethodAction[] {
  const action = (label: string, change: MethodChange): MethodAction => ({ label, change })
  return [
    action('Leave the forecast unbent', {
      forecast: { assumptions: undefined, scenarios: undefined },
    }),
    action('Fill the gaps by interpolation', { missing: 'interpolate' }),
    action('Take the additive model', { decompose: { model: 'additive' } }),
    action('Fit the trend to all periods', { trend: { last: undefined } }),
    action('Take a straight line', withLast(LINE, undefined)),
    action('Take the limits of the model', { forecast: { limits: undefined } }),
    action('Do without the check', { check: undefined }),
    action('Forecast by decomposition', { forecast: { by: DEFAULT_FORECAST.name } }),
    action('Take the whole series', { span: undefined }),
    ...(exclusionsIn(document.decompose)
      ? [action('Put back what is left out', { decompose: { exclude: undefined } })]
      : []),
    action('Do without a season', WITHOUT_SEASON),
    action('Take the usual method', {
      decompose: undefined,
      trend: undefined,
      forecast: undefined,
    }),
  ]
}

/** As many are offered at the most. */
const MOST_OFFERED = 3

/**
 * What would help a refused method: each single choice with which it can be carried out. They are found by
 * trying, so that what is offered works.
 *
 * @param document the method that was refused
 */
export function remediesFor(series: Series, document: MethodDocument): MethodAction[] {
  const said = JSON.stringify(document)
  return candidates(document)
    .filter(({ change }) => {
      const next = changed(document, change)
      return JSON.stringify(next) !== said && works(series, next)
    })
    .slice(0, MOST_OFFERED)
}

function works(series: Series, document: MethodDocument): boolean {
  try {
    assume(withPastErrors(calculate(series, document), document))
    return true
  } catch (error) {
    if (error instanceof Refusal) return false
    throw error
  }
}
