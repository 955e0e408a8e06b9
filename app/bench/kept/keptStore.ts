import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { agreeOn, fetchKept, keepForecast } from '~/kept/keptApi'
import { axisOf } from '~~/core/calendar/axis'
import type { LaidForecast } from '~~/core/beside/beside'
import type { KeptRow } from '~~/shared/api/kept'
import { useBench } from '../study/benchStore'

/** The kept forecasts of the series on the Bench, and which of them are laid on its strips. */
export const useKept = defineStore('bench-kept', () => {
  const bench = useBench()
  const rows = shallowRef<readonly KeptRow[]>([])
  const failure = ref('')
  const shown = shallowRef<ReadonlySet<string>>(new Set())

  /** Asks for them, and lays the agreed one on the strips, else the newest. */
  async function load(): Promise<void> {
    const seriesId = bench.study?.seriesId
    if (!seriesId || bench.frozen) return
    await refresh(seriesId)
    const first = rows.value.find(({ isAgreed }) => isAgreed) ?? newest(rows.value)
    shown.value = new Set(first ? [first.id] : [])
  }

  async function refresh(seriesId: string): Promise<void> {
    try {
      const kept = await fetchKept(seriesId)
      if (bench.study?.seriesId !== seriesId) return
      rows.value = kept
      failure.value = ''
    } catch (error) {
      failure.value = (error as Error).message
    }
  }

  // Of another series there are others.
  watch(
    () => bench.study?.seriesId,
    () => {
      rows.value = []
      shown.value = new Set()
    },
  )

  /**
   * Keeps the forecast that is on the screen, once all that it is made of is with the server.
   *
   * @throws Error in words where it cannot be kept
   */
  async function keep(name: string, note: string): Promise<void> {
    const { seriesId } = bench.study!
    await bench.save()
    if (bench.saving !== 'saved') {
      throw new Error(`What it is made of is not saved yet. ${bench.saveFailure}`.trim())
    }
    const { id } = await keepForecast(seriesId, { name, note, method: bench.method })
    await refresh(seriesId)
    shown.value = new Set([...shown.value, id])
  }

  /** Lays one on the strips, or takes it off. */
  function toggle(id: string): void {
    const next = new Set(shown.value)
    if (!next.delete(id)) next.add(id)
    shown.value = next
  }

  /** Calls one the agreed one; the one that is, no longer. */
  async function agree({ id, seriesId, isAgreed }: KeptRow): Promise<void> {
    try {
      await agreeOn(seriesId, isAgreed ? null : id)
      await refresh(seriesId)
    } catch (error) {
      failure.value = (error as Error).message
    }
  }

  const laid = computed<readonly LaidForecast[]>(() => {
    const { series } = bench
    if (!series) return []
    return rows.value
      .filter(({ id }) => shown.value.has(id))
      .map(({ id, name, from, judged: { periods } }) => ({
        ...{ id, name },
        from: axisOf(series).tOfCode(from)!,
        forecast: periods.map(({ forecast }) => forecast),
        actual: periods.map(({ actual }) => actual),
      }))
  })

  return { rows, failure, shown, laid, load, keep, toggle, agree }
})

function newest(rows: readonly KeptRow[]): KeptRow | undefined {
  return [...rows].sort((a, b) => (a.createdAt < b.createdAt ? 1 : -1))[0]
}
