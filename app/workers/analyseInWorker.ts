import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import { faultOf } from './fault'
import type { AnalyseAnswer, AnalyseRequest, SelectionUnderWay } from './messages'
import { openCore } from './openCore'
import type { Outcome } from './outcome'

interface Waiting {
  readonly request: AnalyseRequest
  hear(selection: SelectionUnderWay): void
  settle(outcome: Outcome | null): void
  fail(error: Error): void
}

let worker: Worker | null = null
let lastId = 0
/** What the worker is at, whether or not its outcome is still wanted. */
let busyWith: number | null = null
/** The analysis whose outcome is wanted; the worker may still be at an earlier one. */
let waiting: Waiting | null = null

function ownWorker(): Worker {
  if (worker) return worker
  worker = openCore()
  worker.addEventListener('message', ({ data }: MessageEvent<AnalyseAnswer>) => {
    const isWanted = data.id === waiting?.request.id
    if ('selection' in data) {
      if (isWanted) waiting?.hear(data.selection)
      return
    }
    busyWith = null
    if (waiting && isWanted) {
      waiting.settle(data.outcome)
      waiting = null
    }
    sendNext()
  })
  worker.addEventListener('error', (event) => {
    waiting?.fail(faultOf(event))
    waiting = busyWith = null
    worker?.terminate()
    worker = null
  })
  return worker
}

/** Hands the wanted analysis to the worker once that is free: what was overtaken is never begun. */
function sendNext(): void {
  if (!waiting || busyWith !== null) return
  busyWith = waiting.request.id
  ownWorker().postMessage(waiting.request)
}

/**
 * Runs a method on a series off the interface thread.
 *
 * @param hear is told of every form of a selection as it is through
 * @returns the outcome, or null when a later analysis has taken this one's place
 */
export function analyseInWorker(
  series: Series,
  method: MethodDocument,
  hear: (selection: SelectionUnderWay) => void = () => {},
): Promise<Outcome | null> {
  dropWaiting()
  const id = ++lastId
  return new Promise((resolve, reject) => {
    waiting = {
      request: { kind: 'analyse', id, series, method },
      hear,
      settle: resolve,
      fail: reject,
    }
    sendNext()
  })
}

/** Gives up the analysis that is still on its way: something later has taken its place. */
export function dropWaiting(): void {
  waiting?.settle(null)
  waiting = null
}

/**
 * Runs a method in a worker of its own, for a result that is compared with the one on the screen; neither
 * waits for the other.
 */
export function analyseApart(series: Series, method: MethodDocument): Promise<Outcome> {
  const id = ++lastId
  return new Promise((resolve, reject) => {
    const apart = openCore()
    const end = () => apart.terminate()
    apart.addEventListener('message', ({ data }: MessageEvent<AnalyseAnswer>) => {
      if ('selection' in data) return
      end()
      resolve(data.outcome)
    })
    apart.addEventListener('error', (event) => {
      end()
      reject(faultOf(event))
    })
    apart.postMessage({ kind: 'analyse', id, series, method } satisfies AnalyseRequest)
  })
}
