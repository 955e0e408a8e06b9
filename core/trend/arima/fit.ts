import { chooseFirstDifferences, type ChosenDifferences } from '../../arima/firstDifferences'
import { findModel, requireBoundedModel, residualsOf, type FoundModel } from '../../arima/model'
import { MOST_DIFFERENCES, type OrderOptions } from '../../arima/orderOptions'
import { refusedUnder } from '../../refusal'
import { arimaColumns, type KnownColumn } from '../../stateSpace/arima/columns'
import { filteredToEnd, pointsAhead, spreadsAhead, taken } from '../../stateSpace/arima/forecast'
import type { Value } from '../../series/series'
import type { Hear } from '../../work/steps'
import type { Missed, TrendThrough } from '../trend'

/** A trend that an ARIMA model makes: in the past its predictions, ahead its forecasts. */
export interface ArimaTrend extends TrendThrough {
  readonly found: FoundModel
  /** Time codes of the first and the last period of the model; `from` is the first that it predicts. */
  readonly first: number
  readonly to: number
  /** The state behind the last period, without mean or drift. */
  readonly end: readonly number[]
}

/** What has no season. */
const NO_SEASON = 1
/** Periods ahead that are worked out at once. */
const AT_ONCE = 24

/**
 * An ARIMA model without season through values that have none.
 *
 * @param values one a period, null = missing
 * @param firstT time code of the first entry
 * @param options `last` periods at the end, missing ones included; all when left out
 * @throws Refusal for a model with too few values, and where no model can be taken
 */
export function fitArimaTrend(
  values: readonly Value[],
  firstT: number,
  { last = Infinity, ...options }: OrderOptions & { readonly last?: number | undefined },
  hear?: Hear,
): ArimaTrend {
  const skipped = Math.max(0, values.length - last)
  const own = {
    ...{ values: values.slice(skipped), firstT: firstT + skipped },
    ...{ seasons: NO_SEASON, beside: [] },
  }
  const found = refusedUnder('trend', () => {
    requireBoundedModel(options, { periods: own.values.length, seasons: NO_SEASON })
    return findModel(own, options, () => differencesOf(own.values), hear)
  })
  const { fit, model } = found
  const columnsTo = (horizon: number): KnownColumn[] =>
    arimaColumns(model.constant, [], { length: own.values.length, firstT: own.firstT, horizon })
  const known = columnsTo(0).map((column) => column.values)
  const ended = filteredToEnd(fit.data, fit)!
  const predicted = Array.from(ended.predicted, (one, i) => one + taken(fit, known, i))
  const to = firstT + values.length - 1
  let ahead: { readonly point: readonly number[]; readonly spread: readonly number[] } = {
    ...{ point: [], spread: [] },
  }
  const aheadAt = (h: number) => {
    if (h > ahead.point.length) {
      const count = Math.max(h, ahead.point.length + AT_ONCE)
      const future = columnsTo(count).map((column) => column.future)
      ahead = {
        point: pointsAhead(ended.filter, ended.states[0]!, count).map(
          (one, i) => one + taken(fit, future, i),
        ),
        spread: spreadsAhead(ended, count),
      }
    }
    return { point: ahead.point[h - 1]!, spread: ahead.spread[h - 1]! }
  }
  const at = (t: number) => (t <= to ? predicted[t - own.firstT]! : aheadAt(t - to).point)
  const residuals = residualsOf(fit)
  const from = own.firstT + ended.determined
  return {
    ...{ found, first: own.firstT, from, to, at },
    end: [...ended.states[0]!],
    estimated: fit.k,
    residualsInTime: residuals.slice(ended.determined),
    spread: {
      ofLog: false,
      df: fit.count - fit.k + 1,
      sse: fit.sumOfSquares,
      missed: () =>
        residuals.flatMap((residual, i): Missed[] =>
          residual === null ? [] : [[residual, predicted[i]!]],
        ),
      centreAt: at,
      leverageAt: (t) => aheadAt(t - to).spread ** 2 - 1,
    },
  }
}

function differencesOf(values: readonly Value[]): ChosenDifferences {
  return {
    ...{ seasonalWindow: null, seasonStrength: null, D: 0 },
    ...chooseFirstDifferences(values, MOST_DIFFERENCES),
  }
}
