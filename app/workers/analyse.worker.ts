import { formRow } from '~~/core/exponential/figures'
import type { AnalyseAnswer, AnalyseRequest } from './analyseInWorker'
import { outcomeOf } from './outcome'

/** Runs the core beside the page. */
self.onmessage = ({ data: { id, series, method } }: MessageEvent<AnalyseRequest>) => {
  const outcome = outcomeOf(series, method, ({ table, of }) =>
    post({ id, selection: { rows: table.map(formRow), of } }),
  )
  post({ id, outcome })
}

function post(answer: AnalyseAnswer): void {
  self.postMessage(answer)
}
