import type { Figures } from '../calculate'
import { wayOf } from '../decompose/ways'
import type { Examined } from '../examine'
import type { Finding } from '../finding'
import { forecastWayOf } from '../forecast/ways'
import { exclusionsOf } from '../method'
import { careFindings } from './careFindings'
import { leftoverFindings } from './leftoverFindings'
import { lookFindings } from './lookFindings'
import { seasonFindings } from './seasonFindings'
import { spanFindings } from './spanFindings'

/** Every sentence that there is to say of a result, in the order of the stages. */
export function findingsOf(figures: Figures, examined: Examined): Finding[] {
  const { prepared, decomposed, method, series, ahead } = figures
  const stretch = prepared.used
  const { decompose } = method
  const way = wayOf(decompose.by)
  return [
    ...lookFindings(stretch, examined, decompose.model, series.unit),
    ...seasonFindings(examined, decompose.model, stretch.values),
    ...leftoverFindings(examined.leftover, decompose.model, way.advice),
    ...careFindings(
      stretch,
      series.adjustments ?? [],
      prepared.filled,
      method.missing,
      series.unit,
    ),
    ...spanFindings(stretch, exclusionsOf(method), decomposed.trendCycle, ahead.t.length),
    ...forecastWayOf(method.forecast.by).findings(stretch, ahead, decomposed.season?.cost ?? 0),
    ...way.findings(stretch, decompose, decomposed),
  ]
}
