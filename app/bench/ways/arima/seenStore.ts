import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { seen, whyNotComparable, type SeenModel } from '~~/core/arima/comparable'
import type { Tried } from '~~/core/work/steps'
import { useBench } from '../../study/benchStore'
import type { ModelPart, ShownModel } from './shown'

/** More than this nobody looks through. */
const MOST = 30

/** A model in the list, with what its criteria say beside the present one. */
export interface SeenRow extends Tried {
  readonly seen: SeenModel
  readonly isPresent: boolean
}

/** The models that were looked at on the Bench, one after the other, so that any of them can be taken back. */
export const useSeenModels = defineStore('seenModels', () => {
  const bench = useBench()
  const lists = shallowRef<ReadonlyMap<string, readonly SeenModel[]>>(new Map())
  const keyOf = (part: ModelPart) => `${bench.study?.id ?? ''} ${part}`

  /** A model that is on the screen: it goes in front, once. */
  function look({ part, model, transform, values, seasons }: ShownModel): void {
    const one = seen(model, transform?.lambda ?? null, values, seasons)
    const before = lists.value.get(keyOf(part)) ?? []
    const others = before.filter(
      (other) => other.name !== one.name || whyNotComparable(one, other) !== null,
    )
    lists.value = new Map(lists.value).set(keyOf(part), [one, ...others].slice(0, MOST))
  }

  /** Those of a part: what compares with the present one by its AICc, then the others. */
  const rowsOf = computed(() => (part: ModelPart): SeenRow[] => {
    const [present, ...others] = lists.value.get(keyOf(part)) ?? []
    if (!present) return []
    const rows = [present, ...others].map((own): SeenRow => {
      const because = whyNotComparable(present, own)
      const aicc = because === null ? own.aicc : null
      return {
        ...{ name: own.name, numbers: own.k, aicc, because },
        ...{ seen: own, isPresent: own === present },
      }
    })
    const place = ({ because, aicc }: SeenRow) =>
      because === null && aicc !== null ? aicc : Number.MAX_VALUE
    return rows.toSorted((a, b) => place(a) - place(b))
  })
  return { look, rowsOf }
})
