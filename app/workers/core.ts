import type { Apart } from '~~/core/kept/apart'
import type { KeptForecast } from '~~/core/kept/kept'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import { WorkerClient } from './client'
import { CORE_WORKER } from './core.worker'
import type { CoreJobs } from './coreJobs'
import type { Outcome } from './outcome'

/** A worker with the core in it. */
export function coreClient(): WorkerClient<CoreJobs> {
  return new WorkerClient<CoreJobs>(() => new Worker(CORE_WORKER, { type: 'module' }))
}

/** Tells two kept forecasts apart in a worker of its own. */
export async function apartBeside(
  before: KeptForecast,
  after: KeptForecast,
): Promise<Apart | null> {
  const beside = coreClient()
  try {
    return await beside.ask('apart', [before, after])
  } finally {
    beside.close()
  }
}

/** Runs a method in a worker of its own, for a result that is looked at beside the one on the screen; neither waits for the other. */
export async function analyseApart(series: Series, method: MethodDocument): Promise<Outcome> {
  const apart = coreClient()
  try {
    return await apart.ask('analyse', [series, method])
  } finally {
    apart.close()
  }
}
