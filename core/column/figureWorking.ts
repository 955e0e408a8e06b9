import type { Expression } from './expression'

/** A figure that stands in no cell, with the arithmetic that made it. */
export interface FigureWorking {
  /** `F of Easter` */
  readonly title: string
  readonly value: number
  readonly expression: Expression
  /** What no arithmetic says: where a figure in it came from; null where nothing is left to say. */
  readonly note: string | null
}
