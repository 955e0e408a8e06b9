import { WorkerClient } from './client'
import type { FileJobs } from './fileJobs'

/** A worker that holds one file open: it is read again with other answers, and its rows asked for. */
export function fileClient(): WorkerClient<FileJobs> {
  return new WorkerClient<FileJobs>(
    () => new Worker(new URL('./read.worker.ts', import.meta.url), { type: 'module' }),
  )
}
