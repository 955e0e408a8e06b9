import { CORE_WORKER } from './core.worker'

/** A worker with the core in it. */
export function openCore(): Worker {
  return new Worker(CORE_WORKER, { type: 'module' })
}
