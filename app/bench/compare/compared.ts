import { computed } from 'vue'
import { capitalized } from '~~/core/series/noun'
import { MOST_PINS } from '~~/shared/api/desk'
import type { Compared } from '../pins/comparison'
import { namesOf } from '../pins/names'
import { usePins } from '../pins/pinStore'
import { useBench } from '../study/benchStore'

/** The methods that are compared: those that are pinned, and the one on the Bench where it is not among them. */
export function useCompared() {
  const bench = useBench()
  const pins = usePins()
  const methods = computed<readonly Compared[]>(() => {
    const pinned = pins.pins.map(({ id, document, result }) => ({ pin: id, document, result }))
    if (pins.isPinned || !bench.result) return pinned
    const present = { pin: null, document: bench.method, result: bench.result }
    return [...pinned.slice(-(MOST_PINS - 1)), present]
  })
  const results = computed(() => methods.value.map(({ result }) => result))
  /** A name that begins with a sign keeps it: α is no capital. */
  const titles = computed(() =>
    namesOf(results.value).map((name) =>
      /^\p{Script=Latin}/u.test(name) ? capitalized(name) : name,
    ),
  )
  return { methods, results, titles }
}
