import type { Topic } from '~~/core/finding'
import type { Stage } from '../path/stages'

/** The findings that belong to each stage; what is in the data, and what is not, belongs to all. */
export const TOPICS_OF: Record<Stage, readonly Topic[]> = {
  look: ['look', 'data'],
  smooth: ['data'],
  season: ['season', 'leftover', 'data'],
  deseasonalize: ['leftover', 'data'],
  trend: ['look', 'forecast', 'data'],
  project: ['forecast', 'season', 'data'],
  check: ['leftover', 'forecast', 'data'],
}
