import type { Strip } from '../strips'
import type { Across } from './across'

/** Strips one above the other over what they have in common: a picture as plain data. */
export interface Drawn {
  readonly strips: readonly Strip[]
  readonly across: Across
  /** What it shows, below its title. */
  readonly subtitle: string
}
