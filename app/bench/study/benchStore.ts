import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, ApiProblem } from '~/api/client'
import { analyseInWorker, dropWaiting, type SelectionUnderWay } from '~/workers/analyseInWorker'
import { useNotices } from '~/shell/noticeStore'
import { outcomeOf, type Outcome } from '~/workers/outcome'
import { changed, type MethodDocument } from '~~/core/method'
import { isHeavy } from '~~/core/decompose/ways'
import { DEFAULT_FORECAST, forecastWayOf } from '~~/core/forecast/ways'
import type { MethodChange } from '~~/core/finding'
import type { Looked, Result } from '~~/core/result'
import type { Series } from '~~/core/series/series'
import type { Study } from '~~/shared/api/studies'
import type { Adjustment } from '~~/core/series/series'
import type { About } from '~~/shared/api/series'
import { seriesFromDocument } from '~~/shared/seriesSchema'
import type { StudyContent } from './studyContent'
import { findUnsaved, forgetUnsaved, keepUnsaved } from './unsaved'

/** A change waits this long for the next one before it is saved. */
const SAVE_AFTER_MS = 400
/** Periods up to which a calculation takes no longer than a fraction of a frame. */
const LONGEST_AT_ONCE = 600
/** A save that was not answered is tried again after this long, then after twice as long, to the longest. */
const FIRST_WAIT_MS = 1500
const LONGEST_WAIT_MS = 15_000

function contentOf({ method, series, about }: Study): StudyContent {
  return { method, adjustments: series.adjustments ?? [], about }
}

const NOTHING: StudyContent = {
  method: { format: 'elvant-method/1' },
  adjustments: [],
  about: { name: '', unit: '', noun: '', group: '', notes: '' },
}

/** One study on the Bench: its method with undo and redo, its result, and its saving. */
export const useBench = defineStore('bench', () => {
  const study = shallowRef<Study | null>(null)
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')

  /** The values as they came in. */
  const cameIn = shallowRef<Series | null>(null)
  const content = shallowRef<StudyContent>(NOTHING)
  const method = computed(() => content.value.method)
  const series = computed<Series | null>(() => {
    if (!cameIn.value) return null
    const { adjustments, about } = content.value
    return { ...cameIn.value, name: about.name, unit: about.unit, noun: about.noun, adjustments }
  })
  /** What is calculated at once: the check runs by itself, beside the rest. */
  const calculated = computed(() => ({ ...method.value, check: undefined }))
  const past = shallowRef<readonly StudyContent[]>([])
  const future = shallowRef<readonly StudyContent[]>([])

  const result = shallowRef<Result | null>(null)
  const refusal = shallowRef<(Outcome & { kind: 'refused' }) | null>(null)
  /** The result as it would be with what is in the hand, until the hand is still. */
  const preview = shallowRef<Result | null>(null)
  /** What there is to see: the result, or of a refused method what needs the series alone. */
  const shown = computed<Result | Looked | null>(
    () => preview.value ?? result.value ?? refusal.value?.looked ?? null,
  )

  const calculating = ref(false)
  /** The forms of a smoothing that are through, while one is being chosen. */
  const selection = shallowRef<SelectionUnderWay | null>(null)

  const saving = ref<'saved' | 'waiting' | 'saving' | 'failed'>('saved')
  const saveFailure = ref('')
  /** The copy that was saved elsewhere, while the analyst decides between it and this one. */
  const conflict = shallowRef<Study | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  /** A change made meanwhile waits for the save that is under way: it would conflict with itself. */
  let isSending = false
  /** Saves in a row that the server did not answer. */
  let failures = 0
  const notices = useNotices()

  async function open(id: string): Promise<void> {
    state.value = 'loading'
    clearTimeout(timer)
    result.value = preview.value = refusal.value = conflict.value = null
    past.value = future.value = []
    saving.value = 'saved'
    try {
      const opened = await api<Study>(`/studies/${encodeURIComponent(id)}`)
      study.value = opened
      cameIn.value = seriesFromDocument(opened.series)
      content.value = contentOf(opened)
      takeUpUnsaved(opened)
      await run()
      state.value = 'ready'
    } catch (error) {
      failure.value = (error as Error).message
      state.value = 'failed'
    }
  }

  /** Changes that were not saved when tab or server ended are there again, and can be undone; over a newer copy one must be chosen. */
  function takeUpUnsaved(opened: Study): void {
    const unsaved = findUnsaved(opened.id)
    if (!unsaved) return
    const before = content.value
    if (JSON.stringify(unsaved.content) === JSON.stringify(before)) return forgetUnsaved(opened.id)
    past.value = [before]
    content.value = unsaved.content
    saving.value = 'waiting'
    if (unsaved.version !== opened.version) {
      conflict.value = opened
      return
    }
    saveSoon()
    notices.show({
      text: 'Changes that had not been saved are back.',
      undo: () => undo(),
    })
  }

  /**
   * Calculates and shows. A short series takes a few milliseconds, less than the way to a worker and
   * back, and is done at once, so that the change and its figures are one repaint; a long one, and
   * a heavy way, goes to the worker, where a later change overtakes it.
   */
  async function run(): Promise<void> {
    const own = series.value!
    dropWaiting()
    if (isAtOnce(own, method.value)) return show(outcomeOf(own, calculated.value))
    calculating.value = true
    selection.value = null
    const outcome = await analyseInWorker(own, calculated.value, (soFar) => {
      selection.value = soFar
    })
    if (!outcome) return
    show(outcome)
  }

  function show(outcome: Outcome): void {
    calculating.value = false
    preview.value = selection.value = null
    result.value = outcome.kind === 'result' ? outcome.result : null
    refusal.value = outcome.kind === 'refused' ? outcome : null
  }

  function adopt(next: StudyContent): Promise<void> {
    content.value = next
    saveSoon()
    return run()
  }

  /** Changes what is named; what was before can be had back. */
  function changeContent(change: Partial<StudyContent>): Promise<void> {
    const next = { ...content.value, ...change }
    if (JSON.stringify(next) === JSON.stringify(content.value)) return Promise.resolve()
    past.value = [...past.value, content.value]
    future.value = []
    return adopt(next)
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
    const periods = new Set(adjustments.map(({ period }) => period))
    const others = content.value.adjustments.filter(({ period }) => !periods.has(period))
    const all = [...others, ...adjustments].sort((a, b) => (a.period < b.period ? -1 : 1))
    return changeContent({ adjustments: all })
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

  function undo(): void {
    const before = past.value.at(-1)
    if (!before) return
    past.value = past.value.slice(0, -1)
    future.value = [content.value, ...future.value]
    void adopt(before)
  }

  function redo(): void {
    const [next, ...rest] = future.value
    if (!next) return
    future.value = rest
    past.value = [...past.value, content.value]
    void adopt(next)
  }

  function saveSoon(): void {
    saving.value = 'waiting'
    keepUnsaved(study.value!.id, content.value, study.value!.version)
    clearTimeout(timer)
    timer = setTimeout(() => void save(), SAVE_AFTER_MS)
  }

  /** Saves what is not saved yet; a save on the way is followed by another when more has changed. */
  async function save(options: { keepalive?: boolean } = {}): Promise<void> {
    clearTimeout(timer)
    if (!study.value || saving.value === 'saved' || isSending) return
    if (conflict.value) return
    const sent = content.value
    saving.value = 'saving'
    isSending = true
    try {
      const saved = await api<Study>(`/studies/${study.value.id}`, {
        method: 'PUT',
        body: { ...changesOf(sent, study.value), version: study.value.version },
        ...options,
      })
      study.value = saved
      failures = 0
      if (content.value === sent) {
        saving.value = 'saved'
        forgetUnsaved(saved.id)
      } else saveSoon()
    } catch (error) {
      saving.value = 'failed'
      saveFailure.value = (error as Error).message
      if (error instanceof ApiProblem && error.problem.status === 409) {
        conflict.value = error.problem.current as Study
      } else if (error instanceof ApiProblem && mayPass(error.problem.status)) tryAgainLater()
    } finally {
      isSending = false
    }
  }

  /** A server that does not answer may do so again: what is not saved is sent by itself then. */
  function tryAgainLater(): void {
    const wait = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** failures++)
    clearTimeout(timer)
    timer = setTimeout(() => void save(), wait)
  }

  /** Ends a conflict by keeping this copy over the other, or taking the other over this. */
  async function resolveConflict(keep: 'mine' | 'theirs'): Promise<void> {
    const other = conflict.value
    if (!other) return
    conflict.value = null
    study.value = other
    if (keep === 'mine') {
      saving.value = 'waiting'
      await save()
      return
    }
    past.value = [...past.value, content.value]
    future.value = []
    content.value = contentOf(other)
    saving.value = 'saved'
    forgetUnsaved(other.id)
    await run()
  }

  const canUndo = computed(() => past.value.length > 0)
  const canRedo = computed(() => future.value.length > 0)
  return {
    study,
    series,
    state,
    failure,
    content,
    method,
    result,
    preview,
    refusal,
    shown,
    calculating,
    selection,
    saving,
    saveFailure,
    conflict,
    canUndo,
    canRedo,
    open,
    change,
    changePart,
    adjust,
    takeBack,
    changeAbout,
    undo,
    redo,
    save,
    resolveConflict,
  }
})

/** Whether a failure is one of the server's state, which can be another in a moment. */
function mayPass(status: number): boolean {
  return status === 0 || status >= 500
}

/** Whether a method takes less time on a series than the way to a worker and back. */
export function isAtOnce(
  { values, calendar }: Series,
  { decompose, forecast }: MethodDocument,
): boolean {
  // Limits from past errors calculate the method again from every earlier origin.
  const { heavy } = forecastWayOf(forecast?.by ?? DEFAULT_FORECAST.name)
  const isOnce = forecast?.limits !== 'past-errors' && !heavy
  return isOnce && values.length <= LONGEST_AT_ONCE && !isHeavy(decompose ?? {}, calendar)
}

/** The method, and of the rest what differs from the saved copy: the series may have other studies. */
function changesOf(content: StudyContent, saved: Study) {
  const before = contentOf(saved)
  const changed = (key: 'adjustments' | 'about') =>
    JSON.stringify(content[key]) !== JSON.stringify(before[key])
  return {
    method: content.method,
    ...(changed('adjustments') ? { adjustments: content.adjustments } : {}),
    ...(changed('about') ? { about: content.about } : {}),
  }
}
