import { ref, shallowRef, type ShallowRef } from 'vue'
import { api, ApiProblem } from '~/api/client'
import type { StudyContent, StudyStep } from '~~/shared/api/desk'
import type { Study, StudySave } from '~~/shared/api/studies'
import { merged } from './merged'
import { advance, isSame, presentOf, unsent, type Trail } from './trail'
import { forgetUnsaved, keepUnsaved } from './unsaved'

/** A change waits this long for the next one before it is saved. */
const SAVE_AFTER_MS = 400
/** A save that was not answered is tried again after this long, then after twice as long, to the longest. */
const FIRST_WAIT_MS = 1500
const LONGEST_WAIT_MS = 15_000

export function contentOf({ method, series, about, vintageId }: Study): StudyContent {
  return { method, adjustments: series.adjustments ?? [], about, vintageId }
}

/**
 * The saving of one study: soon after a change, one save at a time, again by itself where the server did not answer.
 *
 * @param study the copy that the server has
 * @param trail what is to be kept
 * @param onTakenOver told what was taken over from a copy that was saved elsewhere
 */
export function savingOf(
  study: ShallowRef<Study | null>,
  trail: ShallowRef<Trail>,
  onTakenOver: (words: readonly string[]) => void,
) {
  const saving = ref<'saved' | 'waiting' | 'saving' | 'failed'>('saved')
  const saveFailure = ref('')
  /** Whether changes that are not saved yet would end with this page: the browser keeps nothing. */
  const isKeptNowhere = ref(false)
  /** The copy that was saved elsewhere, while the analyst decides between it and this one. */
  const conflict = shallowRef<Study | null>(null)
  /** What both copies have changed, in words, while there is one. */
  const touched = shallowRef<readonly string[]>([])
  /** The copy that both of a conflict were changed from. */
  let base: StudyContent | null = null
  /** The steps that the server has. */
  let sent: readonly StudyStep[] = []
  let timer: ReturnType<typeof setTimeout> | undefined
  /** A change made meanwhile waits for the save that is under way: it would conflict with itself. */
  let isSending = false
  /** Saves in a row that the server did not answer. */
  let failures = 0

  /** Starts with a study that has just been opened. */
  function begin(kept: readonly StudyStep[]): void {
    clearTimeout(timer)
    conflict.value = null
    saving.value = 'saved'
    sent = kept
  }

  function saveSoon(): void {
    saving.value = 'waiting'
    const { id, version } = study.value!
    const changes = { content: presentOf(trail.value), base: contentOf(study.value!), version }
    isKeptNowhere.value = !keepUnsaved(id, changes)
    clearTimeout(timer)
    timer = setTimeout(() => void save(), SAVE_AFTER_MS)
  }

  /** Saves what is not saved yet; a save on the way is followed by another when more has changed. */
  async function save(options: { keepalive?: boolean } = {}): Promise<void> {
    clearTimeout(timer)
    if (!study.value || saving.value === 'saved' || isSending) return
    if (conflict.value) return
    const own = trail.value
    saving.value = 'saving'
    isSending = true
    try {
      const saved = await api<Study>(`/studies/${study.value.id}`, {
        method: 'PUT',
        body: {
          ...changesOf(presentOf(own), study.value),
          trail: unsent(own, sent),
          version: study.value.version,
        } satisfies StudySave,
        ...options,
      })
      study.value = saved
      sent = own.steps
      failures = 0
      if (trail.value === own) {
        saving.value = 'saved'
        forgetUnsaved(saved.id)
      } else saveSoon()
    } catch (error) {
      saving.value = 'failed'
      saveFailure.value = (error as Error).message
      if (error instanceof ApiProblem && error.problem.status === 409) {
        meet(error.problem.current as Study)
      } else if (error instanceof ApiProblem && mayPass(error.problem.status)) tryAgainLater()
    } finally {
      isSending = false
    }
  }

  /**
   * Meets a copy that was saved elsewhere: what only one of them has changed is put together and saved; what both have is asked
   * about.
   *
   * @param from the copy that one's own was changed from
   */
  function meet(other: Study, from = contentOf(study.value!)): void {
    const both = merged(from, presentOf(trail.value), contentOf(other))
    if (both.touched.length > 0) {
      conflict.value = other
      base = from
      touched.value = both.touched
      return
    }
    takeOver(other, both.content)
    if (both.takenOver.length > 0) onTakenOver(both.takenOver)
  }

  /** Goes on from the other copy, with what was put together over it. */
  function takeOver(other: Study, content: StudyContent): void {
    study.value = other
    // The other copy has laid its own steps.
    sent = []
    if (!isSame(presentOf(trail.value), content)) trail.value = advance(trail.value, content)
    if (isSame(contentOf(other), content)) {
      saving.value = 'saved'
      forgetUnsaved(other.id)
    } else saveSoon()
  }

  /** A server that does not answer may do so again: what is not saved is sent by itself then. */
  function tryAgainLater(): void {
    const wait = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** failures++)
    clearTimeout(timer)
    timer = setTimeout(() => void save(), wait)
  }

  /** Keeps one's own where both copies have changed something, and the other's changes elsewhere. */
  async function overwrite(): Promise<void> {
    const other = conflict.value!
    const { content } = merged(base ?? contentOf(other), presentOf(trail.value), contentOf(other))
    conflict.value = null
    takeOver(other, content)
    await save()
  }

  /** Takes the copy that was saved elsewhere; its trail is not ours. */
  function giveWay(): Study {
    const other = conflict.value!
    conflict.value = null
    sent = []
    study.value = other
    saving.value = 'saved'
    forgetUnsaved(other.id)
    return other
  }

  return {
    saving,
    saveFailure,
    isKeptNowhere,
    conflict,
    touched,
    meet,
    begin,
    saveSoon,
    save,
    overwrite,
    giveWay,
  }
}

/** Whether a failure is one of the server's state, which can be another in a moment. */
function mayPass(status: number): boolean {
  return status === 0 || status >= 500
}

/** The method, and of the rest what differs from the saved copy: the series may have other studies. */
function changesOf(content: StudyContent, saved: Study) {
  const before = contentOf(saved)
  const changed = (key: 'adjustments' | 'about' | 'vintageId') =>
    JSON.stringify(content[key]) !== JSON.stringify(before[key])
  return {
    method: content.method,
    ...(changed('adjustments') ? { adjustments: content.adjustments } : {}),
    ...(changed('about') ? { about: content.about } : {}),
    ...(changed('vintageId') ? { vintageId: content.vintageId } : {}),
  }
}
