import type { MethodDocument } from '~~/core/method/method'
import type { Series } from '~~/core/series'
import type { Outcome } from './outcome'

export interface AnalyseRequest {
  readonly id: number
  readonly series: Series
  readonly method: MethodDocument
}

export interface AnalyseAnswer {
  readonly id: number
  readonly outcome: Outcome
}

let worker: Worker | null = null
let lastId = 0
let waiting: {
  readonly id: number
  settle(outcome: Outcome | null): void
  fail(error: Error): void
} | null = null

function ownWorker(): Worker {
  if (worker) return worker
  worker = new Worker(new URL('./analyse.worker.ts', import.meta.url), { type: 'module' })
  worker.addEventListener('message', ({ data }: MessageEvent<AnalyseAnswer>) => {
    if (data.id !== waiting?.id) return
    waiting.settle(data.outcome)
    waiting = null
  })
  worker.addEventListener('error', (event) => {
    waiting?.fail(new Error(event.message || 'The calculation failed.'))
    waiting = null
    worker?.terminate()
    worker = null
  })
  return worker
}

/**
 * Runs a method on a series off the interface thread.
 *
 * @returns the outcome, or null when a later analysis has taken this one's place
 */
export function analyseInWorker(series: Series, method: MethodDocument): Promise<Outcome | null> {
  dropWaiting()
  const id = ++lastId
  return new Promise((resolve, reject) => {
    waiting = { id, settle: resolve, fail: reject }
    ownWorker().postMessage({ id, series, method } satisfies AnalyseRequest)
  })
}

/** Gives up the analysis that is still on its way: something later has taken its place. */
export function dropWaiting(): void {
  waiting?.settle(null)
  waiting = null
}
