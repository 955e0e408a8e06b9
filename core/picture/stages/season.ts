import type { Result } from '../../result'
import { capitalized } from '../../series/noun'
import { comparedStrips, componentsOf } from '../components'
import { mainStrip, salesLayers } from '../salesLayers'
import type { StripSources } from '../sources'
import type { Strip } from '../strips'

/** The season taken out, and what is left over. */
export function seasonStrips(result: Result, sources: StripSources): Strip[] {
  const parts = componentsOf(result, sources)
  const strips = [
    mainStrip(capitalized(sources.noun), sources, [
      ...parts.pinned.trendCycle,
      ...salesLayers(result, sources),
      ...parts.withoutCalendar,
      ...parts.trendCycle,
      ...parts.recomposed,
      ...parts.limits,
      ...parts.forecast,
    ]),
    ...parts.calendar,
    ...parts.season,
    ...parts.irregular,
    ...parts.weights,
  ]
  return comparedStrips(strips, result, sources)
}
