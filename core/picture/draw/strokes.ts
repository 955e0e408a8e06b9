import type { Mark } from '../../column/column'

/** How a line is drawn, in its strip and beside its name. */
export interface Stroke {
  readonly width: number
  /** Pixels of line and gap by turns; drawn through when left out. */
  readonly dash?: number[]
  readonly cap?: 'round'
}

/** The marks that are lines. */
export const STROKES: Readonly<Partial<Record<Mark, Stroke>>> = {
  'line-points': { width: 1.3 },
  'line-thin': { width: 1.4 },
  'line-thick': { width: 2.6 },
  'line-dotted': { width: 1.8, dash: [1.5, 3.5], cap: 'round' },
  'line-dashed': { width: 1.8, dash: [6, 4] },
}
