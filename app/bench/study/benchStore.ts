import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api } from '~/api/client'
import { fetchKeptForecast } from '~/kept/keptApi'
import { useNotices } from '~/shell/noticeStore'
import { changed, type MethodDocument } from '~~/core/method'
import type { Model } from '~~/core/model'
import type { Action, MethodChange } from '~~/core/finding'
import { taken, type MethodOnSeries } from '~~/core/offers'
import type { Series } from '~~/core/series/series'
import { adjustmentsWithin, withAdjustments } from '~~/core/series/adjusted'
import type { BenchView, Desk, StudyContent } from '~~/shared/api/desk'
import type { KeptDocument } from '~~/shared/api/kept'
import type { Study } from '~~/shared/api/studies'
import type { Adjustment } from '~~/core/series/series'
import type { About } from '~~/shared/api/series'
import { seriesFromDocument } from '~~/shared/seriesSchema'
import { calculationOf } from './calculation'
import { byVintage, fetchVintages } from './cameIn'
import { studyOfKept } from './frozen'
import { contentOf, savingOf } from './saving'
import { advance, go, isSame, presentOf, trailFrom, trailKept, type Trail } from './trail'
import { findUnsaved, forgetUnsaved } from './unsaved'

const NOTHING: StudyContent = {
  method: { format: 'elvant-method/1' },
  adjustments: [],
  about: { name: '', unit: '', noun: '', quantity: 'flow', group: '', notes: '' },
  vintageId: '',
}

/** One study on the Bench: its method with undo and redo, its result, and its saving. */
export const useBench = defineStore('bench', () => {
  const study = shallowRef<Study | null>(null)
  /** The kept forecast that is looked at in place of a study; nothing of it can be changed. */
  const frozen = shallowRef<KeptDocument | null>(null)
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')

  /** What the study was and is, for undo. */
  const trail = shallowRef<Trail>(trailFrom(NOTHING))
  const content = computed(() => presentOf(trail.value))
  /** The values as they came in, by vintage: the present one, and those that undo has come by. */
  const cameIn = shallowRef<ReadonlyMap<string, Series>>(new Map())
  const method = computed(() => content.value.method)
  const series = computed<Series | null>(() => {
    const { adjustments, about, vintageId } = content.value
    const own = cameIn.value.get(vintageId)
    if (!own) return null
    return {
      ...own,
      name: about.name,
      unit: about.unit,
      noun: about.noun,
      quantity: about.quantity,
      adjustments,
    }
  })
  /** How the Bench was left. */
  const viewLeft = shallowRef<BenchView | null>(null)

  const { run, forget, ...calculation } = calculationOf(series, method)
  const notices = useNotices()
  const { saving, saveFailure, isKeptNowhere, conflict, touched, ...saver } = savingOf(
    study,
    trail,
    (words) => {
      notices.show({ text: `Saved elsewhere and taken over: ${words.join(', ')}.` })
      void calculateAnew()
    },
  )

  /** Opens something: where that fails, it is said why. */
  async function opening(act: () => Promise<void>): Promise<void> {
    state.value = 'loading'
    stepped.value = null
    forget()
    try {
      await act()
      await run()
      state.value = 'ready'
    } catch (error) {
      failure.value = (error as Error).message
      state.value = 'failed'
    }
  }

  function open(id: string): Promise<void> {
    return opening(async () => {
      frozen.value = null
      const path = `/studies/${encodeURIComponent(id)}`
      const [opened, desk] = await Promise.all([api<Study>(path), api<Desk>(`${path}/desk`)])
      const now = contentOf(opened)
      study.value = opened
      viewLeft.value = desk.view
      cameIn.value = new Map([[now.vintageId, seriesFromDocument(opened.series)]])
      trail.value = trailKept(desk, now)
      saver.begin(desk.steps)
      await takeUpUnsaved(opened)
    })
  }

  /** Opens a kept forecast, with the values and the method that it was made of. */
  function openKept(id: string): Promise<void> {
    return opening(async () => {
      const kept = await fetchKeptForecast(id)
      const own = studyOfKept(kept)
      const now = contentOf(own)
      frozen.value = kept
      study.value = own
      viewLeft.value = null
      cameIn.value = new Map([[now.vintageId, seriesFromDocument(own.series)]])
      trail.value = trailFrom(now)
      saver.begin([])
    })
  }

  /** Changes that were not saved when tab or server ended are there again, and can be undone; over a newer copy one must be chosen. */
  async function takeUpUnsaved(opened: Study): Promise<void> {
    const all = await findUnsaved(opened.id)
    const last = all.at(-1)
    if (!last) return
    for (const unsaved of all) {
      const left = { ...content.value, ...unsaved.content }
      if (isSame(left, content.value)) continue
      if (!cameIn.value.has(left.vintageId)) await fetchValues(left.vintageId)
      trail.value = advance(trail.value, left)
    }
    if (isSame(contentOf(opened), content.value)) return forgetUnsaved(opened.id)
    saving.value = 'waiting'
    if (last.version !== opened.version) return saver.meet(opened, last.base)
    saver.saveSoon()
    notices.show({
      text: 'Changes that had not been saved are back.',
      undo: () => undo(),
    })
  }

  /** Which way the step led that is calculated now: stopped, it is gone back. null where none did, as when a series is opened. */
  const stepped = ref<1 | -1 | null>(null)

  /** Calculates what was taken over, with its values. */
  async function calculateAnew(): Promise<void> {
    const { vintageId } = content.value
    if (!cameIn.value.has(vintageId)) await fetchValues(vintageId)
    await run()
  }

  /** Goes to another step, with the values that it was made with. */
  function adopt(next: Trail): Promise<void> {
    const { vintageId } = presentOf(next)
    return cameIn.value.has(vintageId) ? take(next) : fetchValues(vintageId).then(() => take(next))
  }

  function take(next: Trail): Promise<void> {
    trail.value = next
    saver.saveSoon()
    return run()
  }

  async function fetchValues(vintageId: string): Promise<void> {
    const { seriesId } = study.value!
    const all = byVintage(series.value!, await fetchVintages(seriesId))
    if (!all.has(vintageId)) throw new Error('The values from before are not there any more.')
    cameIn.value = all
  }

  /** Changes what is named; what was before can be had back. */
  async function changeContent(change: Partial<StudyContent>): Promise<void> {
    const next = { ...content.value, ...change }
    if (isSame(next, content.value)) return
    if (frozen.value) {
      notices.show({ text: 'A kept forecast is never altered. Take it up again to go on from it.' })
      return
    }
    const isNamed = [content.value, next].some(({ method }) => method.decompose?.model)
    const before = calculation.result.value?.method.decompose.model
    stepped.value = 1
    await adopt(advance(trail.value, next))
    const after = calculation.result.value?.method.decompose.model
    // The document names no model: the values have decided anew.
    if (before && after && before !== after && !isNamed) tellModel(after)
  }

  /** A value at or below 0 ends the multiplicative model, and its going brings it back: nobody asked for either. */
  function tellModel(model: Model): void {
    const because =
      model === 'additive' ? 'a value is not above 0 now' : 'every value is above 0 again'
    notices.show({ text: `The model is ${model} now: ${because}.`, undo })
  }

  function change(method: MethodDocument): Promise<void> {
    return changeContent({ method })
  }

  /** Changes a part of the method: a word of the sentence, or what a finding proposes. */
  function changePart(part: MethodChange): Promise<void> {
    return change(changed(method.value, part))
  }

  /** Replaces values, or leaves them out, for a reason; a period has one adjustment at the most. */
  function adjust(adjustments: readonly Adjustment[]): Promise<void> {
    return changeContent({ adjustments: withAdjustments(content.value.adjustments, adjustments) })
  }

  /** Does what findings offer, one after another, in one step of undo. */
  function act(...actions: readonly Action[]): Promise<void> {
    const { adjustments } = content.value
    const now = { series: { ...series.value!, adjustments }, document: method.value }
    const after = actions.reduce<MethodOnSeries>(taken, now)
    return changeContent({
      method: after.document,
      adjustments: [...(after.series.adjustments ?? [])],
    })
  }

  /** Uses a period's value as it came in again. */
  function takeBack(code: string): Promise<void> {
    return changeContent({
      adjustments: content.value.adjustments.filter(({ period }) => period !== code),
    })
  }

  function changeAbout(about: About): Promise<void> {
    return changeContent({ about })
  }

  /** Makes values that the series had before its present ones. */
  async function bringBack(vintageId: string): Promise<void> {
    if (!cameIn.value.has(vintageId)) await fetchValues(vintageId)
    const own = cameIn.value.get(vintageId)!
    // An adjustment of a period that these values lack would be refused; undo has it still.
    await changeContent({
      vintageId,
      adjustments: adjustmentsWithin(own, content.value.adjustments),
    })
  }

  function undo(): Promise<void> {
    return goBy(-1)
  }

  function redo(): Promise<void> {
    return goBy(1)
  }

  async function goBy(by: -1 | 1): Promise<void> {
    const next = go(trail.value, by)
    if (!next) return
    stepped.value = by
    try {
      await adopt(next)
    } catch (error) {
      notices.show({ text: (error as Error).message })
    }
  }

  /** Leaves a calculation that takes long: what led to it is taken back, a change as well as an undo. */
  const canStop = computed(
    () => stepped.value !== null && go(trail.value, back(stepped.value)) !== null,
  )
  async function stop(): Promise<void> {
    if (stepped.value !== null) await goBy(back(stepped.value))
  }

  /** Ends a conflict by keeping this copy over the other, or taking the other over this. */
  async function resolveConflict(keep: 'mine' | 'theirs'): Promise<void> {
    if (!conflict.value) return
    if (keep === 'mine') {
      await saver.overwrite()
      return calculateAnew()
    }
    const other = saver.giveWay()
    const values = seriesFromDocument(other.series)
    cameIn.value = new Map([...cameIn.value, [other.vintageId, values]])
    trail.value = advance(trail.value, contentOf(other))
    await run()
  }

  const canUndo = computed(() => go(trail.value, -1) !== null)
  const canRedo = computed(() => go(trail.value, 1) !== null)
  return {
    study,
    frozen,
    openKept,
    series,
    state,
    failure,
    content,
    viewLeft,
    method,
    ...calculation,
    calculate: run,
    saving,
    saveFailure,
    isKeptNowhere,
    conflict,
    touched,
    canUndo,
    canRedo,
    open,
    change,
    changePart,
    adjust,
    act,
    takeBack,
    changeAbout,
    bringBack,
    undo,
    redo,
    canStop,
    stop,
    save: saver.save,
    resolveConflict,
  }
})

/** The other way along the trail. */
function back(by: 1 | -1): 1 | -1 {
  return by === 1 ? -1 : 1
}
