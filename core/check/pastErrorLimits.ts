import type { Figures } from '../calculate'
import type { CheckDocument } from '../checkPlan'
import { forecastWayOf } from '../forecast/ways'
import { limitsFrom, widthsOfLevels, type PastError, type PastErrors } from '../forecast/pastErrors'
import type { MethodDocument } from '../method'
import { Refusal } from '../refusal'
import { errorsAt, scaleOfErrors } from './coverage'
import { finish, type Hear } from '../work/steps'
import { checkTask, rollSteps } from './rolling'

/**
 * The figures of a method with the limits that it asks for: where they are from past errors, the forecasts of
 * earlier origins are made first, as many periods ahead as the forecast goes.
 *
 * @param document that the figures were calculated by
 * @param hear is told how many of those forecasts are made
 * @throws Refusal when there are too few earlier forecasts and the model could have limits of its own
 */
export function withPastErrors(figures: Figures, document: MethodDocument, hear?: Hear): Figures {
  const { by, limits } = figures.method.forecast
  if (limits !== 'past-errors') return figures
  try {
    return fromPastErrors(figures, document, hear)
  } catch (error) {
    // What has no limits of a model stands without any.
    const hasOthers = forecastWayOf(by).limits.includes('model')
    if (hasOthers || !(error instanceof Refusal) || error.where !== 'forecast.limits') throw error
    return figures
  }
}

function fromPastErrors(figures: Figures, document: MethodDocument, hear?: Hear): Figures {
  const { series, method, ahead, inProportion } = figures
  const { horizon, levels } = method.forecast
  const check: CheckDocument = { rolling: { horizon } }
  const task = checkTask(series, document, check)
  if (!task) {
    throw new Refusal(
      'The series is too short for earlier forecasts, so there are no past errors. Take the limits of the model.',
      'forecast.limits',
    )
  }
  const { tries } = finish(rollSteps(task), hear)
  const scale = scaleOfErrors(tries, inProportion, ahead.forecast)
  const errors = Array.from({ length: horizon }, (_, i) =>
    tries.flatMap((one) =>
      errorsAt(one, i, scale).map((error): PastError => ({ origin: one.origin, error })),
    ),
  )
  const widths = widthsOfLevels(
    errors.map((own) => own.map(({ error }) => error)),
    levels,
    horizon,
  )
  const pastErrors: PastErrors = { scale, origins: tries.length, errors, widths }
  return {
    ...figures,
    ahead: {
      ...ahead,
      pastErrors,
      limits: Object.fromEntries(
        levels.map((level) => [level, limitsFrom(ahead.forecast, scale, widths[level]!)]),
      ),
    },
  }
}
