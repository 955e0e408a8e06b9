import { figuresOf, findModel, requireBoundedModel, type ArimaFigures } from '../../arima/model'
import { asDocument, completeOrders, type OrderOptions } from '../../arima/orderOptions'
import { chooseDifferences } from '../../forecast/arima/differences'
import { refusedUnder } from '../../refusal'
import type { Series, Value } from '../../series/series'
import { columnCovariance } from '../../stateSpace/arima/columnCovariance'
import type { KnownColumn } from '../../stateSpace/arima/columns'
import type { ArmaCoefficients } from '../../stateSpace/arima/order'
import type { Hear } from '../../work/steps'
import type { EffectGroup } from './effects'
import {
  onItsScale,
  type CalendarRegression,
  type EstimatedCalendar,
  type EstimateGroups,
  type JudgedGroup,
} from './estimate'
import { jointTest } from './jointTest'
import type { CalendarDocument } from './options'

/** The same beside an ARIMA model of what the effects leave. */
export interface EstimatedByArima extends EstimatedCalendar {
  readonly model: ArimaFigures
}

/** What the orders are asked of. */
export interface ArimaErrorsBasis {
  readonly series: Pick<Series, 'calendar' | 'start'>
  readonly regression: CalendarRegression
  readonly options: OrderOptions
  readonly hear: Hear | undefined
}

/** The orders that a method asks for. @throws Refusal for orders that make no sense */
export function ordersAsked(
  { orders, seasonalOrders, constant, choose, seasonal, near }: CalendarDocument,
  seasons: number,
): OrderOptions {
  return refusedUnder('calendar', () =>
    completeOrders({ orders, seasonalOrders, constant, choose, seasonal, near }, seasons),
  )
}

/**
 * A way to estimate groups of effects with ARIMA errors, the orders of the model the same for all of them.
 *
 * Where the orders are chosen they are those of the values less what independent errors say of the effects: a choice beside all
 * columns would take ten times as long, and effects that are taken out wrongly by a little do not change the orders.
 *
 * @param independent the same effects with independent errors
 * @throws Refusal where no model can be taken
 */
export function estimatorByArima(
  { series, regression, options, hear }: ArimaErrorsBasis,
  independent: EstimatedCalendar,
): EstimateGroups<EstimatedByArima> {
  const values = onItsScale(regression, 'calendar')
  const { firstT } = regression
  const { seasons } = series.calendar
  const without = values.map((value, i) =>
    value === null ? null : value - sumAt(independent, firstT + i),
  )
  const found = refusedUnder('calendar', () => {
    requireBoundedModel(options, { periods: values.length, seasons })
    return findModel(
      { values: without, firstT, seasons, beside: [] },
      options,
      () =>
        chooseDifferences(
          { ...series, name: '', unit: '', values: without },
          [],
          options.seasonal === true,
        ),
      hear,
    )
  })
  const fitted = (groups: readonly EffectGroup[], near: ArmaCoefficients) =>
    refusedUnder('calendar', () =>
      findModel(
        { values, firstT, seasons, beside: knownColumns(groups, values, firstT) },
        { ...asDocument(found.model), near },
        () => found.chosen!.differences,
        undefined,
      ),
    )
  return (groups) => {
    const own = fitted(groups, found.fit.coefficients)
    const { fit } = own
    const at = fit.beta.length - groups.reduce((sum, { columns }) => sum + columns.length, 0)
    const coefficients = fit.beta.slice(at)
    const covariance = columnCovariance(fit, 'calendar')
      .slice(at)
      .map((row) => row.slice(at))
    const apart = (isOut: (group: EffectGroup) => boolean) =>
      fitted(
        groups.filter((group) => !isOut(group)),
        fit.coefficients,
      ).fit
    const none = apart(() => true)
    return {
      ...{ groups, coefficients, covariance, at },
      model: { ...figuresOf(own), chosen: found.chosen },
      judged: groups.map((group, g): JudgedGroup => {
        const rest = apart((one) => one === group)
        const from = groups.slice(0, g).reduce((sum, { columns }) => sum + columns.length, 0)
        const places = group.columns.map((_, j) => from + j)
        return {
          group,
          joint: jointTest({ coefficients, covariance }, places, fit.count - fit.k + 1),
          share: Math.max(0, rest.sumOfSquares - fit.sumOfSquares) / none.sumOfSquares,
          aiccWithout: rest.aicc,
          sseWithout: null,
          helps: fit.aicc !== null && rest.aicc !== null && fit.aicc < rest.aicc,
        }
      }),
      aicc: { withAll: fit.aicc, withoutAny: none.aicc },
      ...{ leftover: null, alike: null },
    }
  }
}

function knownColumns(
  groups: readonly EffectGroup[],
  values: readonly Value[],
  firstT: number,
): KnownColumn[] {
  return groups.flatMap(({ columns }) =>
    columns.map(({ name, at }) => ({
      name,
      values: values.map((_, i) => at(firstT + i)),
      future: [],
    })),
  )
}

/** What the effects add to a period, on the scale of the regression. */
function sumAt({ groups, coefficients }: EstimatedCalendar, t: number): number {
  const columns = groups.flatMap((group) => group.columns)
  return columns.reduce((sum, { at }, j) => sum + coefficients[j]! * at(t), 0)
}
