import type { Figures } from '../calculate'
import { wayOf } from '../decompose/ways'
import type { Examined } from '../examine'
import type { Finding } from '../finding'
import { forecastWayOf } from '../forecast/ways'
import { exclusionsOf, type Method } from '../method'
import { careFindings } from './careFindings'
import { leftoverFindings } from './leftoverFindings'
import { limitFindings } from './limitFindings'
import { modelFinding, peakFindings } from './lookFindings'
import { outlierFindings } from './outlierFindings'
import { seasonFindings } from './seasonFindings'
import { spanFindings } from './spanFindings'
import type { TrendUse } from './levelFindings'
import { trendFindings } from './trendFindings'

/** Every sentence that there is to say of a result, what sways the others first. */
export function findingsOf(figures: Figures, examined: Examined): Finding[] {
  const { prepared, decomposed, method, series, ahead } = figures
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
    ...outlierFindings(stretch, examined, told, model, unit, method.forecast),
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
      examined.trendShare,
    ),
    ...way.findings(stretch, decompose, decomposed, hasSeason),
    ...trendFindings(stretch, examined, method.trend, { unit, uses: useOfTrend(method) }),
    ...spanFindings(
      stretch,
      exclusionsOf(method),
      decomposed.trendCycle,
      decomposed.season?.seasonalIrregular ?? [],
      ahead.t.length,
      lastCame(figures),
    ),
    ...limitFindings(figures, examined),
    ...forecastWayOf(method.forecast.by).findings(
      stretch,
      ahead,
      { seasonCost: decomposed.season?.cost ?? 0, report: examined.regression, unit },
      method.forecast,
    ),
  ]
}

/** The last period with a value, where the analysed span ends before it. */
function lastCame({ series, prepared, lastT }: Figures): string | null {
  const last = series.values.findLastIndex((value) => value !== null)
  return last + 1 > lastT ? prepared.used.periodOf(last + 1 - prepared.used.firstT).label : null
}

function useOfTrend({ forecast }: Method): TrendUse {
  const { extendsTrend, fitsTrend } = forecastWayOf(forecast.by)
  if (extendsTrend) return 'extends'
  return fitsTrend ? 'fits' : 'nothing'
}
