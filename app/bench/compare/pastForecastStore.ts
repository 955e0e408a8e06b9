import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { useRun } from '~/workers/run'
import type { Off } from '~~/core/check/verdict'
import type { Contest, ContestRow } from '~~/core/contest/contest'
import type { MethodDocument } from '~~/core/method'
import { holdContest, type FoundInContest } from '../contest/holdContest'
import { useBench } from '../study/benchStore'

/** How one of the compared methods would have done; its row is null where it takes no part. */
export interface PastForecasts {
  readonly row: ContestRow | null
  /** Over the hidden end of the series; null where it was refused there, undefined before it is known. */
  readonly hidden: Off | null | undefined
}

/** How forecasts by the compared methods would have done from the same earlier origins. */
export const usePastForecasts = defineStore('past-forecasts', () => {
  const bench = useBench()

  const { state, because, progress, begin, stop } = useRun()
  const contest = shallowRef<Contest | null>(null)
  const hidden = shallowRef<ReadonlyMap<string, Off | null>>(new Map())
  /** How many periods at the end are hidden; 0 before it is known. */
  const periodsHidden = ref(0)
  /** What was asked last, as text: the same is not made again. */
  let asked = ''

  /**
   * Lets methods forecast from the origins that they share, unless just that was done.
   *
   * @param documents each is known by its place among them
   */
  function ask(documents: readonly MethodDocument[]): void {
    const series = bench.series
    if (!series) return
    const now = JSON.stringify([series, bench.method.check, documents])
    if (now === asked && state.value !== 'stopped' && state.value !== 'failed') return
    asked = now
    contest.value = null
    hidden.value = new Map()
    periodsHidden.value = 0
    const held = {
      ...{ series, document: bench.method, hidesLast: true },
      candidates: documents.map((document, i) => ({ name: placeName(i), document })),
    }
    void begin(async (followed) => {
      contest.value = await holdContest(held, { ...followed, told: take })
    })
  }

  function take(found: FoundInContest): void {
    if ('contest' in found) contest.value = found.contest
    else {
      hidden.value = new Map([...hidden.value, [found.name, found.hidden.off]])
      periodsHidden.value = found.hidden.periods
    }
  }

  /** How each did, in the order that was asked for, as far as it has come. */
  function of(count: number): PastForecasts[] {
    return Array.from({ length: count }, (_, i) => ({
      row: contest.value?.rows.find(({ name }) => name === placeName(i)) ?? null,
      hidden: hidden.value.get(placeName(i)),
    }))
  }

  return { state, because, progress, contest, periodsHidden, of, ask, stop }
})

/** Methods of one name are told apart by their place. */
const placeName = (place: number) => `method ${place + 1}`
