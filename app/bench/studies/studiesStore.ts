import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { analyseApart } from '~/workers/core'
import { completeMethod } from '~~/core/completeMethod'
import type { MethodDocument } from '~~/core/method'
import { orNull } from '~~/core/refusal'
import type { Result } from '~~/core/result'
import { methodSentence } from '~~/core/sentence/sentence'
import { wordsApart } from '~~/core/sentence/wordsApart'
import type { Piece } from '~~/core/word'
import type { StudyTab } from '~~/shared/api/studies'
import { useBench } from '../study/benchStore'
import { addStudy, deleteStudy, fetchStudies, renameStudy } from './studiesApi'

/** A study with what it is called. */
export interface NamedTab extends StudyTab {
  readonly title: string
}

/** What the study beside comes to. */
export interface LaidStudy {
  readonly title: string
  readonly document: MethodDocument
  readonly result: Result
}

/** The studies of the series on the Bench, and the one that is shown beside the present one. */
export const useStudies = defineStore('bench-studies', () => {
  const bench = useBench()
  const stored = shallowRef<readonly StudyTab[]>([])
  const failure = ref('')

  /** The present one as it is on the screen, also before it is saved. */
  const tabs = computed<readonly NamedTab[]>(() => {
    const now = stored.value.map((tab) =>
      tab.id === bench.study?.id ? { ...tab, method: bench.method } : tab,
    )
    const apart = wordsApart(now.map(({ method }) => sentenceOf(method)))
    return now.map((tab, i) => ({ ...tab, title: tab.name || apart[i] || `study ${i + 1}` }))
  })

  /** Of a method that is refused there is nothing to name it by. */
  function sentenceOf(method: MethodDocument): readonly Piece[] {
    const { series } = bench
    const complete = series && orNull(() => completeMethod(method, series))
    return complete ? methodSentence(complete, series) : []
  }

  /** Asks for the studies of the series; the one that was shown beside stays so. */
  async function load(): Promise<void> {
    const seriesId = bench.study?.seriesId
    if (!seriesId || bench.frozen) {
      stored.value = []
      besideId.value = null
      return
    }
    try {
      const studies = await fetchStudies(seriesId)
      if (bench.study?.seriesId !== seriesId) return
      stored.value = studies
      failure.value = ''
      if (!studies.some(({ id }) => id === besideId.value)) besideId.value = null
    } catch (error) {
      failure.value = (error as Error).message
    }
  }

  const besideId = ref<string | null>(null)
  const beside = computed(() => tabs.value.find(({ id }) => id === besideId.value) ?? null)

  /** Shows a study beside the present one, or no longer. */
  function lay(id: string): void {
    besideId.value = besideId.value === id ? null : id
  }

  // Whoever goes over to the study beside finds the one that was present beside it.
  watch(
    () => bench.study?.id,
    (now, before) => {
      if (now !== undefined && now === besideId.value && before) besideId.value = before
    },
  )

  const besideResult = shallowRef<{ readonly of: string; readonly result: Result } | null>(null)
  /** What is calculated: the method beside, as text, so that another object that says the same is no change. */
  const besideSays = computed(() =>
    beside.value && beside.value.id !== bench.study?.id
      ? JSON.stringify(beside.value.method)
      : null,
  )
  const laid = computed<LaidStudy | null>(() => {
    const [tab, made] = [beside.value, besideResult.value]
    if (!tab || !made || made.of !== besideSays.value) return null
    return { title: tab.title, document: tab.method, result: made.result }
  })
  // Both are alive: another method of the one, or other values, and it is calculated anew. Whatever was begun before is of no
  // more use, also where it comes later.
  let newest = 0
  watch([besideSays, () => bench.series], async ([of, series]) => {
    const mine = ++newest
    if (of === null || !series) {
      besideResult.value = null
      return
    }
    const method = JSON.parse(of) as MethodDocument
    const outcome = await analyseApart(series, { ...method, check: undefined })
    if (mine !== newest) return
    if (outcome.kind === 'result') besideResult.value = { of, result: outcome.result }
    else {
      besideResult.value = null
      failure.value = `“${beside.value?.title ?? ''}”: ${outcome.because}`
    }
  })

  /** Adds a study with a method. @returns its id; null where it was refused, with the reason shown */
  async function add(method: MethodDocument, name = ''): Promise<string | null> {
    try {
      await bench.save()
      return await addStudy(bench.study!.seriesId, { name, method: method as StudyTab['method'] })
    } catch (error) {
      failure.value = (error as Error).message
      return null
    }
  }

  async function changing(act: () => Promise<void>): Promise<void> {
    try {
      await act()
      failure.value = ''
    } catch (error) {
      failure.value = (error as Error).message
    }
    await load()
  }
  const rename = (id: string, name: string) => changing(() => renameStudy(id, name))
  const remove = (id: string) => changing(() => deleteStudy(id))

  return { tabs, failure, beside, laid, load, lay, add, rename, remove }
})
