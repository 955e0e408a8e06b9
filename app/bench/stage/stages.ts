import { isResult } from '~~/core/ledger/ledger'
import type { Looked, Result } from '~~/core/result'
import type { Stage } from '~~/core/stage'
import { check } from './check'
import { deseasonalize } from './deseasonalize'
import { look } from './look'
import { project } from './project'
import { season } from './season'
import { smooth } from './smooth'
import type { StageView } from './stage'
import { trend } from './trend'

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

/** What a stage came to, in one line; null where it needs a result and there is none. */
export function lineOf(name: Stage, shown: Looked | Result): string | null {
  const stage = stageOf(name)
  if (stage.needs === 'series') return stage.line(shown)
  return isResult(shown) ? stage.line(shown) : null
}
