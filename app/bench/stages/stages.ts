import { isResult } from '~~/core/ledger/ledger'
import type { Looked, Result } from '~~/core/result'
import { capitalized } from '~~/core/series/noun'
import type { Stage } from '~~/core/stage'
import type { StripSources } from '../view/strips/sources'
import { mainStrip, salesLayers } from '../view/strips/salesLayers'
import type { Strip } from '../view/strips/strips'
import { check } from './check/stage'
import { deseasonalize } from './deseasonalize/stage'
import { look } from './look/stage'
import { project } from './project/stage'
import { season } from './season/stage'
import { smooth } from './smooth/stage'
import type { StageView } from './stage'
import { trend } from './trend/stage'

const STAGE_VIEWS: Readonly<Record<Stage, StageView>> = {
  look,
  smooth,
  season,
  deseasonalize,
  trend,
  project,
  check,
}

export function stageOf(name: Stage): StageView {
  return STAGE_VIEWS[name]
}

/** The strips of a stage; of a refused method, where it needs a result, the series alone. */
export function stripsOf(name: Stage, shown: Looked | Result, sources: StripSources): Strip[] {
  const stage = stageOf(name)
  if (stage.needs === 'series') return stage.strips(shown, sources)
  if (isResult(shown)) return stage.strips(shown, sources)
  return [mainStrip(capitalized(sources.noun), sources, salesLayers(shown, sources))]
}

/** What a stage came to, in one line; null where it needs a result and there is none. */
export function lineOf(name: Stage, shown: Looked | Result): string | null {
  const stage = stageOf(name)
  if (stage.needs === 'series') return stage.line(shown)
  return isResult(shown) ? stage.line(shown) : null
}
