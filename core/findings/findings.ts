import { inflation } from '../autocorrelation/inflation'
import type { Figures } from '../calculate'
import { wayOf } from '../decompose/ways'
import type { Examined } from '../examine'
import type { Finding } from '../finding'
import { forecastWayOf } from '../forecast/ways'
import { exclusionsOf } from '../method'
import { mean } from '../statistics/average'
import { twoSidedT } from '../statistics/distributions'
import { careFindings } from './careFindings'
import { leftoverFindings } from './leftoverFindings'
import { limitFindings } from './limitFindings'
import { modelFinding, peakFindings } from './lookFindings'
import { outlierFindings } from './outlierFindings'
import { seasonFindings } from './seasonFindings'
import { spanFindings } from './spanFindings'
import { trendFindings } from './trendFindings'

/** Every sentence that there is to say of a result, what sways the others first. */
export function findingsOf(figures: Figures, examined: Examined): Finding[] {
  const { prepared, decomposed, method, series, ahead, trend } = figures
  const stretch = prepared.used
  const { decompose } = method
  const { model } = decompose
  const way = wayOf(decompose.by)
  const { unit, adjustments = [] } = series
  const filled = prepared.filled.map(({ t }) => t)
  const care = careFindings(stretch, adjustments, prepared.filled, method.missing, unit)
  const told = new Set(care.map(({ period }) => period))
  const hasSeason = examined.seasonTests?.found ?? false
  return [
    ...care,
    ...outlierFindings(stretch, examined, told, model, unit),
    ...modelFinding(examined, model),
    ...peakFindings(stretch, hasSeason),
    ...seasonFindings(examined, { model, traits: way.traits, stretch, filled }),
    ...leftoverFindings(
      examined,
      model,
      {
        followsLevel: way.traits.followsLevel,
        swaysAverage: way.average(decompose, series.calendar) !== null,
        advice: way.advice,
      },
      trendShare(figures, examined),
    ),
    ...way.findings(stretch, decompose, decomposed, hasSeason),
    ...trendFindings(stretch, examined, trend, method.trend.last, unit),
    ...spanFindings(
      stretch,
      exclusionsOf(method),
      decomposed.trendCycle,
      decomposed.season?.seasonalIrregular ?? [],
      ahead.t.length,
    ),
    ...limitFindings(figures, examined),
    ...forecastWayOf(method.forecast.by).findings(stretch, ahead, decomposed.season?.cost ?? 0),
  ]
}

/** A trend is left in averaged indices when it moves by more than this share of the level a year. */
const MATTERS = 0.02
const SIGNIFICANT = 0.05
/** The most that neighbouring residuals are taken to be alike. */
const MOST_ALIKE = 0.95

/** What the series rises or falls by a year, as a share of its level, where that matters and is no chance. */
function trendShare({ prepared }: Figures, { straight }: Examined): number | null {
  const { values, calendar } = prepared.used
  const level = mean(values.filter((value) => value !== null))
  const { fit, slope, residuals } = straight
  if (!level || fit.n <= fit.p) return null
  const share = Math.abs((slope * calendar.seasons) / level)
  if (share <= MATTERS) return null
  const f = inflation(residuals, MOST_ALIKE)
  const error = Math.sqrt((fit.sse / (fit.n - fit.p)) * f) * fit.unitErrors[1]!
  return error === 0 || twoSidedT(slope / error, fit.n - fit.p) <= SIGNIFICANT ? share : null
}
