import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { analyseApart } from '~/workers/core'
import { columnValues, ledgerOf } from '~~/core/ledger/ledger'
import type { Column } from '~~/core/column/column'
import { defaultWay, traitsOf, waysFor } from '~~/core/decompose/ways'
import { MODELS } from '~~/core/model'
import { changed, type MethodDocument } from '~~/core/method'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { MOST_PINS } from '~~/shared/api/desk'
import { useStudies } from '../studies/studiesStore'
import { useBench } from '../study/benchStore'
import { namesOf } from './names'

/** A result that was kept to compare others with. */
export interface Pin {
  readonly id: number
  readonly document: MethodDocument
  readonly result: Result
}

/** Of the study beside, which is no pin that could be removed. */
const BESIDE = 0

function howOf(id: number | undefined): 'beside' | 'pinned' {
  return id === BESIDE ? 'beside' : 'pinned'
}

/** Pinned results of the series on the Bench: the last is the ghost in strips and ledger. */
export const usePins = defineStore('pins', () => {
  const bench = useBench()
  const studies = useStudies()
  const pins = shallowRef<readonly Pin[]>([])
  /** Models that could not be compared, and why. */
  const refused = shallowRef<readonly { name: string; because: string }[]>([])
  const comparing = shallowRef(false)
  let lastId = 0

  /** What is pinned, and the study beside, which is alive. */
  const all = computed<readonly Pin[]>(() => {
    const { laid } = studies
    return laid ? [...pins.value, { id: BESIDE, ...laid }] : pins.value
  })
  const ghost = computed<Pin | null>(() => {
    const last = all.value.at(-1)
    return last && bench.result && !isSame(last.result, bench.result) ? last : null
  })
  /** All but the present result, which is drawn in any case, named by what differs between them and it. */
  const others = computed(() => {
    const present = bench.result
    const apart = all.value.filter(({ result }) => !present || !isSame(result, present))
    const names = namesOf([...apart.map(({ result }) => result), ...(present ? [present] : [])])
    return apart.map(({ id, result }, i) => ({
      ...{ how: howOf(id), result },
      name: (id === BESIDE && studies.laid?.title) || names[i]!,
    }))
  })
  const ghostName = computed(
    () => others.value.find(({ result }) => result === ghost.value?.result)?.name ?? '',
  )
  /** What the second line of a row is of. */
  const ghostWord = computed(() => howOf(ghost.value?.id))
  const isPinned = computed(() =>
    pins.value.some(({ result }) => bench.result !== null && isSame(result, bench.result)),
  )

  function add(document: MethodDocument, result: Result): void {
    const others = pins.value.filter((pin) => !isSame(pin.result, result))
    pins.value = [...others, { id: ++lastId, document, result }].slice(-MOST_PINS)
  }

  /** Keeps the present result; pressed again, lets it go. */
  function toggle(): void {
    const present = bench.result
    if (!present) return
    if (isPinned.value) pins.value = pins.value.filter(({ result }) => !isSame(result, present))
    else add(bench.method, present)
  }

  /** Pins methods again that were pinned when the Bench was left; what cannot run any more is passed over. */
  async function takeUp(documents: readonly MethodDocument[]): Promise<void> {
    const series = bench.series!
    for (const document of documents) {
      const outcome = await analyseApart(series, document)
      if (bench.series !== series) return
      if (outcome.kind === 'result') add(document, outcome.result)
    }
  }

  function remove(id: number): void {
    pins.value = pins.value.filter((pin) => pin.id !== id)
  }

  function clear(): void {
    pins.value = refused.value = []
    comparing.value = false
  }

  /** Shows what is pinned side by side; with nothing pinned, the models. */
  async function show(): Promise<void> {
    if (bench.frozen) return
    if (comparing.value) comparing.value = false
    else if (pins.value.length === 0) await compareModels()
    else comparing.value = true
  }

  /** Additive, multiplicative and robust loess beside one another, everything else as it is. */
  async function compareModels(): Promise<void> {
    const series = bench.series!
    const { method } = bench
    const { calendar } = series
    const by = method.decompose?.by ?? defaultWay(calendar)
    // A season that may change stands beside the models in any case.
    const averaged = traitsOf({ by }).seasonMayChange ? defaultWay(calendar) : by
    const present = bench.result?.method.decompose.model ?? MODELS[0]
    const wanted = [
      ...[...MODELS].reverse().map((model) => ({
        name: model as string,
        document: changed(method, { decompose: { by: averaged, model } }),
      })),
      ...waysFor(calendar)
        .filter(({ traits }) => traits.seasonMayChange)
        .map(({ name, says }) => ({
          name: says(calendar, present).text,
          document: changed(method, { decompose: { by: name, model: present } }),
        })),
    ]
    const failed: { name: string; because: string }[] = []
    pins.value = []
    comparing.value = true
    for (const { name, document } of wanted) {
      const outcome = await analyseApart(series, document)
      if (outcome.kind === 'result') add(document, outcome.result)
      else failed.push({ name, because: outcome.because })
    }
    refused.value = failed
  }

  return {
    pins,
    refused,
    comparing,
    ghost,
    ghostName,
    ghostWord,
    others,
    isPinned,
    toggle,
    takeUp,
    remove,
    clear,
    show,
    compareModels,
  }
})

/** Two documents can say the same method; the values may have been cared for in between. */
function isSame(a: Result, b: Result): boolean {
  const said = ({ method, adjustments }: Result) => JSON.stringify([method, adjustments])
  return said(a) === said(b)
}

/** A pinned row over the periods of another axis; undefined where the pinned span does not reach. */
export function pinnedValues(
  { result }: Pin,
  column: Column,
  span: { readonly first: number; readonly last: number },
): Value[] {
  const values = columnValues(ledgerOf(result), column)
  const from = result.columns.t[0]!
  return Array.from(
    { length: span.last - span.first + 1 },
    (_, i) => values[span.first + i - from] ?? null,
  )
}
