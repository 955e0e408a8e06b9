import type { Result } from '../../core/result'
import { methodSentence } from '../../core/sentence/sentence'
import type { Series } from '../../core/series/series'

/** What is said of a result: the sentence with its words in brackets, and the findings in one order. */
export function saidOf(result: Result, series: Series) {
  const pieces = methodSentence(result.method, series)
  return {
    sentence: pieces
      .map((piece) => (typeof piece === 'string' ? piece : `[${piece.id}: ${piece.text}]`))
      .join(''),
    // Which way of the house says a sentence first is no part of what is said.
    findings: [...result.findings].sort((a, b) => (a.text < b.text ? -1 : 1)),
  }
}
