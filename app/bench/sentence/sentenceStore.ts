import { defineStore } from 'pinia'
import { computed } from 'vue'
import { completeMethod } from '~~/core/completeMethod'
import type { Method } from '~~/core/method'
import { methodSentence } from '~~/core/sentence/sentence'
import type { Word } from '~~/core/word'
import { useBench } from '../study/benchStore'
import { beginningTeller } from './begun'

/** The method sentence of the study on the Bench. */
export const useSentence = defineStore('bench-sentence', () => {
  const bench = useBench()

  /** The method with its defaults; null when the document itself does not fit the series. */
  const method = computed<Method | null>(() => {
    if (bench.result && !bench.failed) return bench.result.method
    try {
      return completeMethod(bench.method, bench.series!)
    } catch {
      return null
    }
  })
  const pieces = computed(() => (method.value ? methodSentence(method.value, bench.series!) : []))

  const becauseOf = beginningTeller()
  /** Why the method is what it is, while it is the one that the series begins with. */
  const begun = computed(() =>
    method.value && bench.series ? becauseOf(bench.series, method.value) : [],
  )

  /** A word by its id; undefined when a change has ended it. */
  function wordOf(id: string): Word | undefined {
    return pieces.value.find((piece): piece is Word => typeof piece !== 'string' && piece.id === id)
  }

  return { method, pieces, begun, wordOf }
})
