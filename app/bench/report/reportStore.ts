import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api } from '~/api/client'
import { formatDay, READERS_FIGURES } from '~/figures/format'
import { locale } from '~/figures/locale'
import { useNotices } from '~/shell/noticeStore'
import { fileName, saveBlob } from '~/shell/takeAway'
import { unlessLeft } from '~/workers/client'
import { handoverClient } from '~/workers/handover'
import { useRun } from '~/workers/run'
import { isResult } from '~~/core/ledger/ledger'
import type { Result } from '~~/core/result'
import { methodSentence } from '~~/core/sentence/sentence'
import { piecesText } from '~~/core/word'
import { USUAL_REPORT, type ReportChoices } from '~~/handover/report/choices'
import { tieableFigures } from '~~/handover/report/tieable'
import { looseTies, tiedAnew } from '~~/handover/report/ties'
import { VERSION } from '~~/shared/version'
import { useHandOver } from '../handover/handOverStore'
import { useBench } from '../study/benchStore'
import { useSelection } from '../view/selectionStore'

/** Changes are kept once the hand is still for so long. */
const KEPT_AFTER_MS = 800

/** The report of the study on the Bench: what the analyst chose and wrote, kept with the study, and the page that comes of it. */
export const useReport = defineStore('report', () => {
  const bench = useBench()
  const handOver = useHandOver()
  const selection = useSelection()
  const notices = useNotices()
  const worker = handoverClient()
  const writing = useRun()

  const choices = shallowRef<ReportChoices>(USUAL_REPORT)
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')
  /** The study whose choices these are; null of a kept forecast, with which nothing more is kept. */
  let ofStudy: string | null = null
  let waiting: ReturnType<typeof setTimeout> | undefined

  const result = computed<Result | null>(() => {
    const { checked } = handOver
    return checked && isResult(checked) ? checked : null
  })
  /** Numbers within the paragraphs that no longer hold. */
  const loose = computed(() =>
    result.value ? looseTies(result.value, READERS_FIGURES, choices.value) : [],
  )
  const figures = computed(() =>
    result.value ? tieableFigures(result.value, READERS_FIGURES, selection.selected) : [],
  )

  /** Brings what is kept with the study. */
  async function open(): Promise<void> {
    await keep()
    ofStudy = bench.frozen ? null : (bench.study?.id ?? null)
    choices.value = USUAL_REPORT
    state.value = 'loading'
    writing.forget()
    try {
      if (ofStudy !== null) choices.value = await api<ReportChoices>(`/studies/${ofStudy}/report`)
      state.value = 'ready'
    } catch (error) {
      failure.value = (error as Error).message
      state.value = 'failed'
    }
  }

  function choose(change: Partial<ReportChoices>): void {
    choices.value = { ...choices.value, ...change }
    clearTimeout(waiting)
    waiting = setTimeout(() => void keep(), KEPT_AFTER_MS)
  }

  /** Keeps what was changed, where it is not kept yet. */
  async function keep(): Promise<void> {
    if (waiting === undefined) return
    clearTimeout(waiting)
    waiting = undefined
    if (ofStudy === null) return
    try {
      await api(`/studies/${ofStudy}/report`, {
        method: 'PUT',
        body: choices.value,
        keepalive: true,
      })
    } catch (error) {
      notices.show({
        text: `What you wrote into the report is not kept: ${(error as Error).message}`,
      })
    }
  }

  /** Puts the present figures in the place of those that no longer hold. */
  function takePresent(): void {
    if (result.value) choose(tiedAnew(result.value, READERS_FIGURES, choices.value))
  }

  /** Writes the page and hands it to the browser. */
  async function save(): Promise<void> {
    const { series, study } = bench
    if (!result.value || !series || !study) return
    const reported = {
      ...{ result: result.value, choices: choices.value, source: study.source.file },
      sentence: piecesText(methodSentence(result.value.method, series)),
    }
    const told = { locale: locale.value, version: VERSION, date: formatDay(Date.now()) }
    await Promise.all([
      keep(),
      writing.begin(async (followed) => {
        const page = await unlessLeft(worker.ask('report', [[reported], told], followed))
        if (page) saveBlob(new Blob([page], { type: 'text/html' }), `${fileName(series.name)}.html`)
      }),
    ])
  }

  return {
    ...{ choices, state, failure, loose, figures, result },
    ...{ writing: writing.state, because: writing.because, progress: writing.progress },
    ...{ open, choose, keep, takePresent, save, stop: writing.stop },
  }
})
