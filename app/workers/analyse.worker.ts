import type { AnalyseAnswer, AnalyseRequest } from './analyseInWorker'
import { outcomeOf } from './outcome'

/** Runs the core beside the page. */
self.onmessage = ({ data: { id, series, method } }: MessageEvent<AnalyseRequest>) => {
  self.postMessage({ id, outcome: outcomeOf(series, method) } satisfies AnalyseAnswer)
}
