import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { TriesAnswer } from '~/workers/messages'
import { TriesWorker } from '~/workers/triesInWorker'
import type { Try } from '~~/core/check/rolling'
import { scaledError } from '~~/core/check/verdict'
import type { ContestRow } from '~~/core/contest/contest'
import { useBench } from '../study/benchStore'

/** The row of a contest that is opened: what its method would have said, origin by origin. */
export const useOpenedRow = defineStore('opened-row', () => {
  const bench = useBench()

  const row = shallowRef<ContestRow | null>(null)
  /** In the order of their origins; none until they are made again. */
  const tries = shallowRef<readonly Try[]>([])
  const failed = ref('')
  /** Place in the list of the origin that is looked at. */
  const place = ref(0)
  const tried = computed<Try | null>(() => tries.value[place.value] ?? null)
  const worker = new TriesWorker(hear, (message) => (failed.value = message))

  /** Opens a row at its worst origin, or closes it. */
  function toggle(next: ContestRow): void {
    const isOpen = row.value?.name === next.name
    close()
    if (isOpen || !bench.series) return
    row.value = next
    const document = { ...next.method, check: bench.method.check }
    worker.ask({ kind: 'check', series: bench.series, document })
  }

  function close(): void {
    worker.stop()
    row.value = null
    tries.value = []
    failed.value = ''
  }

  function hear(answer: TriesAnswer): void {
    if (answer.kind === 'refused') failed.value = answer.because
    if (answer.kind !== 'checked' || !answer.checked) return
    // What its offers would do is nobody's question here.
    worker.stop()
    tries.value = answer.checked.tries
    place.value = worst.value
  }

  /** Where it was furthest off, as the contest counts. */
  const worst = computed(() => {
    const errors = tries.value.map((one) => scaledError(one, one.forecast) ?? 0)
    return errors.indexOf(Math.max(...errors))
  })

  return { row, tries, failed, place, tried, worst, toggle, close }
})
