import {
  chooseFirstDifferences,
  STRONG_SEASON,
  type ChosenDifferences,
} from '../../arima/firstDifferences'
import { MOST_DIFFERENCES } from '../../arima/orderOptions'
import { decomposeByLoess } from '../../decompose/loess/calculate'
import { stlParameters } from '../../decompose/stl/windows'
import { SEASONAL_WINDOW } from '../../decompose/loess/options'
import { leastSquares } from '../../regression/leastSquares'
import { orNull } from '../../refusal'
import { stretchOf } from '../../series/stretch'
import type { Series, Value } from '../../series/series'
import { strengthsOf } from '../../seasonality/strength'
import { difference } from '../../stationarity/difference'
import type { KnownColumn } from '../../stateSpace/arima/columns'

/** Years and values below which no seasonal difference is proposed. */
const FEWEST_YEARS = 3
const FEWEST_VALUES = 16
/** Below so many years the season is taken for the same every year. */
const YEARS_TO_CHANGE = 8

/**
 * How often to difference: once by season where the season is strong, then until the KPSS test finds a level.
 *
 * @param series its values on the scale of the model
 * @param beside columns whose part is taken out by least squares first
 * @param isSeasonal whether a season is allowed
 * @see Wang, X. et al. (2006), Data Mining and Knowledge Discovery 13, 335–364; Kwiatkowski et al. (1992)
 */
export function chooseDifferences(
  series: Series,
  beside: readonly KnownColumn[],
  isSeasonal: boolean,
): ChosenDifferences {
  const m = series.calendar.seasons
  const values = withoutColumns(series.values, beside)
  const came = values.filter((value) => value !== null).length
  const asksSeason = isSeasonal && m > 1
  const seasonalWindow = !asksSeason
    ? null
    : values.length < YEARS_TO_CHANGE * m
      ? ('periodic' as const)
      : SEASONAL_WINDOW
  const seasonStrength =
    seasonalWindow === null ? null : strengthOfSeason({ ...series, values }, seasonalWindow)
  const hasRoom = came >= Math.max(FEWEST_YEARS * m, FEWEST_VALUES)
  const D = hasRoom && seasonStrength !== null && seasonStrength > STRONG_SEASON ? 1 : 0
  const rest = D === 1 ? difference(values, 'seasonal', m) : values
  return {
    ...{ seasonalWindow, seasonStrength, D },
    ...chooseFirstDifferences(rest, MOST_DIFFERENCES - D),
  }
}

/** Values less what a regression on columns says of them. */
function withoutColumns(
  values: readonly Value[],
  beside: readonly KnownColumn[],
): readonly Value[] {
  if (beside.length === 0) return values
  const there = values.flatMap((value, i) => (value === null ? [] : [i]))
  const fit = leastSquares(
    there.map((i) => values[i]!),
    beside.map(({ name, values: own }) => ({ name, values: there.map((i) => own[i]!) })),
    'forecast.regressors',
  )
  const rest = new Map(there.map((i, k) => [i, fit.residuals[k]!]))
  return values.map((_, i) => rest.get(i) ?? null)
}

function strengthOfSeason(series: Series, seasonalWindow: number | 'periodic'): Value {
  return orNull(() => {
    const { values, calendar } = series
    const parameters = stlParameters(
      { seasonalWindow, robust: true },
      values.length,
      calendar.seasons,
    )
    const parts = decomposeByLoess(stretchOf(series, 1, values.length), 'additive', parameters)
    return strengthsOf('additive', {
      trend: parts.trendCycle,
      seasonal: parts.index,
      remainder: parts.irregular,
    }).season
  })
}
