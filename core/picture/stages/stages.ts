import { isResult } from '../../ledger/ledger'
import type { Looked, Result } from '../../result'
import { capitalized } from '../../series/noun'
import type { Stage } from '../../stage'
import { mainStrip, salesLayers } from '../salesLayers'
import type { StripSources } from '../sources'
import type { Strip } from '../strips'
import { checkStrips } from './check'
import { deseasonalizeStrips } from './deseasonalize'
import { lookStrips } from './look'
import { projectStrips } from './project'
import { seasonStrips } from './season'
import { smoothStrips } from './smooth'
import { trendStrips } from './trend'

/** The stages whose picture needs the series alone. */
const OF_SERIES = { look: lookStrips, smooth: smoothStrips } as const
const OF_RESULT = {
  season: seasonStrips,
  deseasonalize: deseasonalizeStrips,
  trend: trendStrips,
  project: projectStrips,
  check: checkStrips,
} as const satisfies Record<Exclude<Stage, keyof typeof OF_SERIES>, unknown>

/** The strips of a stage as plain data; of a refused method, where it needs a result, the series alone. */
export function stripsOf(stage: Stage, shown: Looked | Result, sources: StripSources): Strip[] {
  if (stage === 'look' || stage === 'smooth') return OF_SERIES[stage](shown, sources)
  if (isResult(shown)) return OF_RESULT[stage](shown, sources)
  return [mainStrip(capitalized(sources.noun), sources, salesLayers(shown, sources))]
}
