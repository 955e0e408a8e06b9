import type { Component } from 'vue'
import { isResult } from '~~/core/ledger/ledger'
import type { Looked, Result } from '~~/core/result'
import type { Stage } from '~~/core/stage'
import { panelsOfWays } from '../ways/panels'
import { check } from './check/panels'
import { deseasonalize } from './deseasonalize/panels'
import { look } from './look/panels'
import type { At, Panel, Parts } from '../stage/panel'
import { project } from './project/panels'
import { season } from './season/panels'
import { smooth } from './smooth/panels'
import { trend } from './trend/panels'

/** What the stages show beside strips and ledger. They are apart from the stages, which stores ask too. */
export const PARTS: Readonly<Record<Stage, Parts>> = {
  look,
  smooth,
  season,
  deseasonalize,
  trend,
  project,
  check,
}

/** The parts of the working for what is selected: those of the ways before the verdict, the verdict before the totals. */
export function panelsFor(at: At, shown: Looked | Result): Component[] {
  const all: readonly Panel[] = [
    ...[look, smooth, season, deseasonalize].flatMap(({ panels }) => panels),
    ...(isResult(shown) ? panelsOfWays(shown) : []),
    ...[trend, check, project].flatMap(({ panels }) => panels),
  ]
  return all
    .filter((panel) =>
      panel.needs === 'series' ? panel.shows(at, shown) : isResult(shown) && panel.shows(at, shown),
    )
    .map(({ component }) => component)
}
