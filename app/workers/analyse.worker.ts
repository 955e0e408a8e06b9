import { analyse } from '~~/core/analyse'
import { Refusal } from '~~/core/refusal'
import type { AnalyseAnswer, AnalyseRequest } from './analyseInWorker'

/** Runs the core beside the page; a refusal is an answer, anything else a defect. */
self.onmessage = ({ data }: MessageEvent<AnalyseRequest>) => {
  const { id, series, method } = data
  let answer: AnalyseAnswer
  try {
    answer = { id, outcome: { kind: 'result', result: analyse(series, method) } }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    answer = { id, outcome: { kind: 'refused', because: error.because, where: error.where } }
  }
  self.postMessage(answer)
}
