import type { WeekdayShares } from '~~/core/seasonality/weekdayShares'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api } from '~/api/client'
import { useShelf } from '~/shelf/shelfStore'
import { unlessLeft, type WorkerClient } from '~/workers/client'
import { fileClient } from '~/workers/file'
import type { FileJobs, FileReading, FileRows } from '~/workers/fileJobs'
import type { Quantity } from '~~/core/series/quantity'
import type { Series } from '~~/core/series/series'
import { LIMITS } from '~~/intake/limits'
import type { Row } from '~~/intake/grid'
import type { Answers, Reading } from '~~/intake/reading'
import { documentFromSeries } from '~~/shared/seriesSchema'
import { sourceOf, type NewSeries } from '~~/shared/api/series'
import { keepFile } from './keepFile'
import { findKnown, type KnownSeries } from './knownSeries'
import { rememberedAnswers, rememberAnswers, shapeKey } from './remembered'

/** What will be kept of one series that was read; name and unit may be changed first. */
export interface Candidate {
  /** Column of the file, from 0; null when its values stand in several. */
  readonly column: number | null
  /** How the days of the week differ that its periods were added up from. */
  readonly weekdays?: WeekdayShares | null | undefined
  readonly series: Series
  readonly missing: number
  readonly duplicates: number
  name: string
  unit: string
  /** Whether values add up over time. */
  quantity: Quantity
  wanted: boolean
  /** The kept series of the same name that these values can bring up to date. */
  readonly known: KnownSeries | null
  /** Whether they do, or become a series of their own. */
  updates: boolean
  /** Whether periods that the file no longer has are dropped; else they stay. */
  drops: boolean
}

/** A file on its way in: nothing is kept until the analyst says so. */
export const useIntake = defineStore('intake', () => {
  const state = ref<'empty' | 'reading' | 'read'>('empty')
  const fileName = ref('')
  const failure = ref('')
  /** What is done while a file is read. */
  const progress = ref('')
  const reading = shallowRef<Reading | null>(null)
  const rowCount = ref(0)
  const headerLine = ref<number | null>(null)
  const answers = shallowRef<Answers>({})
  /** Whether answers were taken over from an earlier file of the same shape. */
  const isRemembered = ref(false)
  const isReadingAgain = ref(false)
  const candidates = shallowRef<Candidate[]>([])
  /** The group that new series are put into; empty for none. */
  const group = ref('')
  const shelf = useShelf()
  let file: WorkerClient<FileJobs> | null = null
  let original: Blob | null = null
  let firstRow: Row | null = null

  /** What an analyst must still say before anything can be kept. */
  const openQuestions = computed(
    () => reading.value?.questions.filter(({ answer }) => answer === null) ?? [],
  )

  function clear(): void {
    file?.close()
    file = null
    firstRow = null
    original = null
    group.value = ''
    state.value = 'empty'
    fileName.value = ''
    failure.value = ''
    reading.value = null
    rowCount.value = 0
    answers.value = {}
    isRemembered.value = false
    isReadingAgain.value = false
    candidates.value = []
  }

  async function readFile(picked: File): Promise<void> {
    clear()
    if (picked.size > LIMITS.bytes) {
      failure.value = `${picked.name} is larger than ${LIMITS.bytes / 1024 / 1024} MB. Split it, or leave out columns.`
      return
    }
    await read(new Uint8Array(await picked.arrayBuffer()), picked.name)
  }

  function readText(text: string): Promise<void> {
    return read(new TextEncoder().encode(text), 'pasted')
  }

  async function read(bytes: Uint8Array, name: string): Promise<void> {
    clear()
    fileName.value = name
    state.value = 'reading'
    original = new Blob([bytes as Uint8Array<ArrayBuffer>])
    progress.value = 'Taking the file apart…'
    const own = (file = fileClient())
    try {
      const first = await own.ask('open', [bytes, {}], { told: (text) => (progress.value = text) })
      if (file !== own) return
      const [row] = (await own.ask('rows', [0, 1])).rows
      if (file !== own) return
      firstRow = row ?? null
      const before = rememberedAnswers(shapeKey(first.reading, firstRow))
      if (!before) return await show(first)
      answers.value = before
      const again = await own.ask('read', [before])
      if (file !== own) return
      isRemembered.value = again.reading.outcome === 'ok'
      if (!isRemembered.value) answers.value = {}
      await show(isRemembered.value ? again : first)
    } catch (error) {
      if (file !== own) return
      clear()
      failure.value = (error as Error).message
    }
  }

  /** Reads the file again with one answer changed; an empty one is taken back. */
  async function answer(id: string, value: string): Promise<void> {
    const { [id]: _before, ...others } = answers.value
    answers.value = value === '' ? others : { ...others, [id]: value }
    isRemembered.value = false
    await readAgain()
  }

  /** Forgets every answer and reads the file as if it came anew. */
  async function startOver(): Promise<void> {
    answers.value = {}
    isRemembered.value = false
    await readAgain()
  }

  async function readAgain(): Promise<void> {
    const own = file
    const asked = answers.value
    if (!own) return
    isReadingAgain.value = true
    const found = await unlessLeft(own.ask('read', [asked]))
    // A later answer has taken this one's place, or another file.
    if (!found || file !== own || answers.value !== asked) return
    isReadingAgain.value = false
    await show(found)
  }

  async function show({
    reading: found,
    rowCount: count,
    headerLine: line,
  }: FileReading): Promise<void> {
    const [own, asked] = [file, answers.value]
    const kept = await knownOf(found)
    // Another file, or a later answer, has taken this one's place.
    if (file !== own || answers.value !== asked) return
    const before = new Map(candidates.value.map((one) => [one.series.name, one]))
    reading.value = found
    rowCount.value = count
    headerLine.value = line
    candidates.value =
      found.outcome === 'ok'
        ? found.series.map(({ series, column, missing, duplicates, weekdays }) => {
            const earlier = before.get(series.name)
            const known = kept.get(series) ?? null
            return {
              ...{ column, weekdays },
              series,
              missing,
              duplicates,
              name: earlier?.name ?? series.name,
              unit: earlier?.unit || series.unit,
              quantity: earlier?.quantity ?? series.quantity ?? 'flow',
              wanted: earlier?.wanted ?? true,
              known,
              updates: earlier?.updates ?? known?.isLikely ?? false,
              drops: earlier?.drops ?? false,
            }
          })
        : []
    state.value = 'read'
  }

  async function knownOf(found: Reading): Promise<ReadonlyMap<Series, KnownSeries>> {
    if (found.outcome !== 'ok') return new Map()
    await shelf.loaded()
    const series = found.series.map((one) => one.series)
    // Without the server nothing can be kept either; that is said when it is tried.
    return findKnown(series, shelf.rows).catch(() => new Map())
  }

  type Change = Partial<
    Pick<Candidate, 'name' | 'unit' | 'quantity' | 'wanted' | 'updates' | 'drops'>
  >

  function change(at: number, change: Change): void {
    candidates.value = candidates.value.map((one, i) => {
      if (i !== at) return one
      // Under another name it is another series.
      const isRenamed = change.name !== undefined && change.name.trim() !== one.series.name
      return { ...one, ...change, ...(isRenamed ? { updates: false } : {}) }
    })
  }

  function wantAll(wanted: boolean): void {
    candidates.value = candidates.value.map((one) => ({ ...one, wanted }))
  }

  /** Says for all series at once what they are counted in. */
  function countAllIn(unit: string): void {
    candidates.value = candidates.value.map((one) => ({ ...one, unit }))
  }

  /** Says for all series at once what their values do over time. */
  function allAre(quantity: Quantity): void {
    candidates.value = candidates.value.map((one) => ({ ...one, quantity }))
  }

  async function rows(from: number, to: number): Promise<FileRows> {
    const found = file ? await unlessLeft(file.ask('rows', [from, to])) : null
    return found ?? { rows: [], cells: [] }
  }

  /**
   * Keeps what is wanted, with the file itself: new series, and newer values of known ones. The answers
   * are remembered for the next such file.
   *
   * @returns the studies of what was kept, and the series that were brought up to date
   */
  async function keep(): Promise<{ studies: string[]; updated: string[] }> {
    if (reading.value) rememberAnswers(shapeKey(reading.value, firstRow), answers.value)
    const fileId = await keepFile(fileName.value, original!)
    const chosen = candidates.value.filter((candidate) => candidate.wanted)
    const updates = chosen.filter((one) => one.known !== null && one.updates)
    const fresh = chosen.filter((one) => !updates.includes(one))
    const kept = fresh.length > 0 ? await shelf.keep(fresh.map((one) => asNew(one, fileId))) : []
    if (kept.length > 0 && group.value.trim() !== '') {
      const ids = kept.map(({ id }) => id)
      await shelf.putIntoGroup(ids, group.value.trim())
    }
    if (updates.length > 0) {
      const all = updates.map((one) => ({
        ...{ id: one.known!.id, ...asNew(one, fileId) },
        vanished: one.drops ? 'drop' : 'keep',
      }))
      await api('/series/updates', { method: 'POST', body: { updates: all } })
    }
    return {
      studies: [...kept.map(({ studyId }) => studyId), ...updates.map((one) => one.known!.studyId)],
      updated: updates.map((one) => one.known!.id),
    }
  }

  function asNew({ series, name, unit, quantity, ...read }: Candidate, fileId: string): NewSeries {
    return {
      series: documentFromSeries({ ...series, quantity, name: name.trim(), unit: unit.trim() }),
      source: sourceOf(fileName.value, read),
      fileId,
    }
  }

  return {
    state,
    fileName,
    failure,
    progress,
    reading,
    rowCount,
    headerLine,
    answers,
    isRemembered,
    isReadingAgain,
    candidates,
    openQuestions,
    clear,
    readFile,
    readText,
    answer,
    startOver,
    change,
    wantAll,
    countAllIn,
    allAre,
    group,
    rows,
    keep,
  }
})
