import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { api } from '~/api/client'
import { useShelf } from '~/shelf/shelfStore'
import { coreClient } from '~/workers/core'
import { useRun } from '~/workers/run'
import type { LaidParts } from '~~/core/beside/parts'
import type { MethodOnSeries } from '~~/core/offers'
import { seriesFromDocument } from '~~/shared/seriesSchema'
import type { Study } from '~~/shared/api/studies'
import { useBench } from '../study/benchStore'

/** The series that the one on the Bench belongs with, and how they add up once the seasons are out. */
export const useParts = defineStore('bench-parts', () => {
  const bench = useBench()
  const shelf = useShelf()
  const client = coreClient()
  const { state, because, begin, forget } = useRun()

  /** Ids of the series that were chosen. */
  const chosen = shallowRef<readonly string[]>([])
  const found = shallowRef<LaidParts | null>(null)

  /** The other series that could add up with this one: of the same periods and unit, those of its own group first. */
  const offered = computed(() => {
    const { study, series } = bench
    if (!study || !series) return []
    const { group } = study.about
    return shelf.rows
      .filter(
        (row) =>
          row.id !== study.seriesId &&
          row.unit === series.unit &&
          row.frequency === series.calendar.frequency,
      )
      .sort(
        (a, b) =>
          Number(b.group === group) - Number(a.group === group) || a.name.localeCompare(b.name),
      )
  })

  /** Reads the shelf where nobody has yet. */
  function look(): void {
    if (shelf.rows.length === 0) void shelf.load()
  }

  /** Takes these series beside; none lets go of what was laid. */
  function take(ids: readonly string[]): void {
    chosen.value = ids
    work()
  }

  function work(): void {
    const { series, method } = bench
    if (chosen.value.length === 0 || !series) {
      found.value = null
      forget()
      return
    }
    const rows = shelf.rows.filter(({ id }) => chosen.value.includes(id))
    void begin(async (followed) => {
      found.value = null
      const others = await Promise.all(rows.map(({ studyId }) => methodOf(studyId)))
      found.value = await client.ask('parts', [{ series, document: method }, others], followed)
    })
  }

  // The whole is taken apart by what is on the Bench: another method, and it is made anew.
  watch([() => bench.series, () => bench.method], () => {
    if (chosen.value.length > 0) work()
  })
  watch(
    () => bench.study?.seriesId,
    () => take([]),
  )

  return { chosen, offered, laid: computed(() => found.value), state, because, look, take }
})

/** A series with the method that it opens with. */
async function methodOf(studyId: string): Promise<MethodOnSeries> {
  const study = await api<Study>(`/studies/${studyId}`)
  return { series: seriesFromDocument(study.series), document: study.method }
}
