import type { Stage } from '~~/core/stage'

export { STAGES, type Stage } from '~~/core/stage'

/** What a stage is called, and where it looks first. Which rows belong to it the columns say themselves. */
export interface StageView {
  readonly label: string
  /** The rows whose cell is worked out when the stage is opened: the first that the method has. */
  readonly focus: readonly string[]
  /** Whether the stage is about the whole series, and is first seen so. */
  readonly seesWhole?: boolean
  /** Whether it needs only the series, and is there for a refused method too. */
  readonly needsSeriesOnly?: boolean
}

export const STAGE_VIEWS: Record<Stage, StageView> = {
  look: { label: 'Look', focus: ['value'], seesWhole: true, needsSeriesOnly: true },
  smooth: { label: 'Smooth', focus: ['trendCycle', 'value'], needsSeriesOnly: true },
  season: { label: 'Season', focus: ['seasonalIrregular', 'irregular'] },
  deseasonalize: { label: 'Deseasonalize', focus: ['deseasonalized', 'value'] },
  trend: { label: 'Trend', focus: ['trend'], seesWhole: true },
  project: { label: 'Project', focus: ['forecast'] },
  check: { label: 'Check', focus: ['residual'] },
}
