import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { coreClient } from '~/workers/core'
import { useRun } from '~/workers/run'
import type { Try } from '~~/core/check/rolling'
import { scaledError } from '~~/core/check/verdict'
import type { ContestRow } from '~~/core/contest/contest'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import { useBench } from '../study/benchStore'

/** The row of a contest that is opened: what its method would have said, origin by origin. */
export const useOpenedRow = defineStore('opened-row', () => {
  const bench = useBench()

  const row = shallowRef<ContestRow | null>(null)
  /** In the order of their origins; none until they are made again. */
  const tries = shallowRef<readonly Try[]>([])
  /** Place in the list of the origin that is looked at. */
  const place = ref(0)
  const tried = computed<Try | null>(() => tries.value[place.value] ?? null)
  const worker = coreClient()
  const { because: failed, begin, forget } = useRun()

  /** Opens a row at its worst origin, or closes it. */
  function toggle(next: ContestRow): void {
    const isOpen = row.value?.name === next.name
    close()
    if (isOpen || !bench.series) return
    row.value = next
    const document = { ...next.method, check: bench.method.check }
    const words: [Series, MethodDocument] = [bench.series, document]
    void begin(async (followed) => {
      const checked = await worker.ask('check', words, followed)
      tries.value = checked?.tries ?? []
      place.value = worst.value
    })
  }

  function close(): void {
    forget()
    row.value = null
    tries.value = []
  }

  /** Where it was furthest off, as the contest counts. */
  const worst = computed(() => {
    const errors = tries.value.map((one) => scaledError(one, one.forecast) ?? 0)
    return errors.indexOf(Math.max(...errors))
  })

  return { row, tries, failed, place, tried, worst, toggle, close }
})
