import type { CellColumn } from '~~/core/ledger/cell'

/** The stages of the work, in their order. */
export const STAGES = [
  'look',
  'smooth',
  'season',
  'deseasonalize',
  'trend',
  'project',
  'check',
] as const
export type Stage = (typeof STAGES)[number]

/** What a stage is called, and which rows of the ledger belong to it. */
export interface StageView {
  readonly label: string
  readonly rows: readonly (CellColumn | 'limits')[]
  /** The row whose cell is worked out when the stage is opened. */
  readonly focus: CellColumn
  /** Whether the stage is about the whole series, and is first seen so. */
  readonly seesWhole?: boolean
}

export const STAGE_VIEWS: Record<Stage, StageView> = {
  look: { label: 'Look', rows: ['original', 'value'], focus: 'value', seesWhole: true },
  smooth: {
    label: 'Smooth',
    rows: ['original', 'value', 'movingAverage', 'trendCycle'],
    focus: 'trendCycle',
  },
  season: {
    label: 'Season',
    rows: [
      'original',
      'value',
      'movingAverage',
      'trendCycle',
      'seasonalIrregular',
      'index',
      'irregular',
      'recomposed',
      'weight',
    ],
    focus: 'seasonalIrregular',
  },
  deseasonalize: {
    label: 'Deseasonalize',
    rows: ['original', 'value', 'index', 'deseasonalized', 'irregular'],
    focus: 'deseasonalized',
  },
  trend: {
    label: 'Trend',
    rows: ['deseasonalized', 'trend', 'trendCycle', 'cycle'],
    focus: 'trend',
    seesWhole: true,
  },
  project: {
    label: 'Project',
    rows: ['original', 'value', 'index', 'trend', 'forecastDeseasonalized', 'forecast', 'limits'],
    focus: 'forecast',
  },
  check: { label: 'Check', rows: ['original', 'value', 'fitted', 'residual'], focus: 'residual' },
}
