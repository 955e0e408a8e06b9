import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { coreClient } from '~/workers/core'
import { useRun, type RunFollowed } from '~/workers/run'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import { useBench } from './benchStore'

/** What is worked out of an adjustment afterwards, beside the page: what the calendar leaves, and how its figures were revised. */
export const useAfterwards = defineStore('afterwards', () => {
  const bench = useBench()
  const client = coreClient()

  /** The series and the method that it is all about, as text: of others it is not shown. */
  const asked = computed(() => JSON.stringify([bench.series, bench.method]))

  /** Something that is worked out of what is on the Bench, and shown as long as that stays. */
  function workedOut<Found, Words extends unknown[] = []>(
    work: (of: [Series, MethodDocument, ...Words], followed: RunFollowed) => Promise<Found>,
  ) {
    const { state, because, progress, begin, stop } = useRun()
    const kept = shallowRef<{ readonly of: string; readonly found: Found } | null>(null)
    /** What was begun last is about. */
    const begun = shallowRef('')
    const isOwn = computed(() => begun.value === asked.value)
    return {
      found: computed(() => (kept.value?.of === asked.value ? kept.value.found : null)),
      state: computed(() => (isOwn.value ? state.value : 'none')),
      because,
      progress,
      begin(...words: Words): void {
        const { series, method } = bench
        if (!series) return
        const of = (begun.value = asked.value)
        void begin(async (followed) => {
          kept.value = { of, found: await work([series, method, ...words], followed) }
        })
      },
      stop,
    }
  }

  return {
    asked,
    calendar: workedOut((of: [Series, MethodDocument], followed) =>
      client.ask('calendarAfter', of, followed),
    ),
    revisions: workedOut((of: [Series, MethodDocument], followed) =>
      client.ask('revisions', of, followed),
    ),
    history: workedOut((of: [Series, MethodDocument, t: number], followed) =>
      client.ask('history', of, followed),
    ),
  }
})
