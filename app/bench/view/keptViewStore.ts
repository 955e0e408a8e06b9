import { defineStore } from 'pinia'
import { computed, watch } from 'vue'
import { api } from '~/api/client'
import type { BenchView } from '~~/shared/api/desk'
import { useBeside } from '../beside/besideStore'
import { usePins } from '../pins/pinStore'
import { useBench } from '../study/benchStore'
import { useLedger } from './ledgerStore'
import { useSelection } from './selectionStore'
import { useWindow } from './windowStore'

/** The view is kept this long after it was last changed. */
const KEEP_AFTER_MS = 1000

/** Keeps with a study how its Bench was left (stage, window, cell, averages, pins), and lays it out so again. */
export const useKeptView = defineStore('bench-kept-view', () => {
  const bench = useBench()
  const beside = useBeside()
  const ledger = useLedger()
  const pins = usePins()
  const selection = useSelection()
  const time = useWindow()

  const view = computed<BenchView>(() => ({
    stage: ledger.stage,
    folded: ledger.folded,
    window: time.isOwn ? time.window : null,
    end: time.whole.to,
    selected: selection.selected,
    yearStart: beside.yearStart,
    foldCycle: beside.foldCycle,
    averages: [...beside.averages],
    pins: pins.pins.map(({ document }) => document),
  }))
  const said = computed(() => JSON.stringify(view.value))
  /** What the server has, as text; null while a study is being laid out. */
  let kept: string | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  /** Lays the Bench out as it was left, once its study is open. */
  async function takeUp(): Promise<void> {
    kept = null
    clearTimeout(timer)
    const { study, viewLeft: left } = bench
    if (bench.state !== 'ready') return
    let laidOut = view.value
    if (left) {
      selection.chooseStage(left.stage)
      beside.averages = left.averages
      beside.yearStart = left.yearStart ?? null
      beside.foldCycle = left.foldCycle ?? null
      if (left.selected) selection.select(left.selected)
      ledger.folded = left.folded
      if (left.window) time.showLeft(left.window, left.end)
      laidOut = { ...view.value, pins: left.pins }
      await pins.takeUp(left.pins)
    }
    if (bench.study?.id !== study?.id) return
    // While pins were calculated the analyst may have gone on.
    kept = JSON.stringify(laidOut)
    if (said.value !== kept) keepSoon()
  }

  /** Answers once the server has it. A view that cannot be kept is no loss that should be told of. */
  async function keep(options: { keepalive?: boolean } = {}): Promise<void> {
    clearTimeout(timer)
    // A kept forecast has no view of its own.
    if (kept === null || said.value === kept || !bench.study || bench.frozen) return
    kept = said.value
    const path = `/studies/${bench.study.id}/desk`
    await api(path, { method: 'PUT', body: { view: view.value }, ...options }).catch(
      () => undefined,
    )
  }

  /** Keeps the view a last time; what changes until the next study is laid out is nobody's view. */
  async function layAside(): Promise<void> {
    await keep()
    kept = null
    clearTimeout(timer)
  }

  function keepSoon(): void {
    clearTimeout(timer)
    timer = setTimeout(() => void keep(), KEEP_AFTER_MS)
  }
  watch(said, keepSoon)
  return { takeUp, keep, layAside }
})
