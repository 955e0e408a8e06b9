import { WorkerClient } from './client'
import type { HandoverJobs } from './handoverJobs'

/** A worker that writes what is handed over; it is loaded, with its packages, when it is first asked for. */
export function handoverClient(): WorkerClient<HandoverJobs> {
  return new WorkerClient<HandoverJobs>(
    () => new Worker(new URL('./handover.worker.ts', import.meta.url), { type: 'module' }),
  )
}
