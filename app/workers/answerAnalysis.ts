import { formRow } from '~~/core/stateSpace/figures'
import type { AnalyseAnswer, AnalyseRequest } from './messages'
import { outcomeOf } from './outcome'

/** Runs a method, and says every form of a selection as it is through. */
export function answerAnalysis({ id, series, method }: AnalyseRequest): void {
  const outcome = outcomeOf(series, method, ({ table, of }) =>
    post({ id, selection: { rows: table.map(formRow), of } }),
  )
  post({ id, outcome })
}

function post(answer: AnalyseAnswer): void {
  self.postMessage(answer)
}
