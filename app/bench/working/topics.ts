import type { Topic } from '~~/core/findings/finding'
import type { Stage } from '../path/stages'

/** The findings that belong to each stage. */
export const TOPICS_OF: Record<Stage, readonly Topic[]> = {
  look: ['look', 'data'],
  smooth: ['data'],
  season: ['season', 'leftover'],
  deseasonalize: ['data', 'leftover'],
  trend: ['look', 'forecast'],
  project: ['forecast', 'season', 'data'],
  check: ['leftover', 'forecast', 'data'],
}
