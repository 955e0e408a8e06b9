import { worker } from 'workerpool'
import { catalogued, type CataloguePlan } from '../core/catalogue/catalogued'
import type { Catalogued } from '../core/catalogue/row'
import type { Series } from '../core/series/series'

/** Series to work through one after another, and how far each ends before the others. */
export interface CatalogueChunk {
  readonly series: readonly Series[]
  readonly behind: readonly number[]
  readonly plan: CataloguePlan
}

/** What the threads of a catalogue do. */
const TASKS = {
  workThrough({ series, behind, plan }: CatalogueChunk): Catalogued[] {
    return series.map((one, i) => catalogued(one, plan, behind[i]))
  },
}
export type CatalogueTasks = typeof TASKS

worker(TASKS)
