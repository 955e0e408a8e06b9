import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api } from '~/api/client'
import { useNotices } from '~/shell/noticeStore'
import type { NewSeries, SeriesChange, ShelfRow } from '~~/shared/api/series'
import { changeOnYear } from './changeOnYear'

/** The columns the shelf can be sorted by. */
export type SortKey = 'name' | 'span' | 'last' | 'change'

/** All series, as the server has them. */
export const useShelf = defineStore('shelf', () => {
  const rows = ref<ShelfRow[]>([])
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')
  const search = ref('')
  const sort = ref<{ key: SortKey; descending: boolean }>({ key: 'name', descending: false })

  const shown = computed(() => {
    const words = search.value.trim().toLowerCase()
    const found = rows.value.filter((row) => row.name.toLowerCase().includes(words))
    const direction = sort.value.descending ? -1 : 1
    return found.sort((a, b) => direction * COMPARE[sort.value.key](a, b) || byName(a, b))
  })

  async function load(): Promise<void> {
    try {
      rows.value = (await api<{ series: ShelfRow[] }>('/series')).series
      state.value = 'ready'
    } catch (error) {
      state.value = 'failed'
      failure.value = (error as Error).message
    }
  }

  function sortBy(key: SortKey): void {
    const again = sort.value.key === key
    sort.value = { key, descending: again ? !sort.value.descending : key !== 'name' }
  }

  async function keep(series: readonly NewSeries[]): Promise<ShelfRow[]> {
    const kept = await api<{ series: ShelfRow[] }>('/series', { method: 'POST', body: { series } })
    rows.value.push(...kept.series)
    return kept.series
  }

  /** Changes the name or unit of a series, at once on the page; put back when the server refuses. */
  async function change(id: string, change: SeriesChange): Promise<void> {
    const before = rows.value.find((row) => row.id === id)
    if (!before) return
    const replace = (row: ShelfRow) => {
      rows.value = rows.value.map((candidate) => (candidate.id === id ? row : candidate))
    }
    replace({ ...before, ...change })
    try {
      await api(`/series/${id}`, { method: 'PATCH', body: change })
    } catch (error) {
      replace(before)
      useNotices().show({ text: (error as Error).message })
    }
  }

  async function discard(row: ShelfRow): Promise<void> {
    const notices = useNotices()
    try {
      await api(`/series/${row.id}`, { method: 'DELETE' })
    } catch (error) {
      notices.show({ text: (error as Error).message })
      return
    }
    rows.value = rows.value.filter(({ id }) => id !== row.id)
    notices.show({
      text: `${shortened(row.name)} was deleted.`,
      undo: async () => {
        await api(`/series/${row.id}/restore`, { method: 'POST' })
        await load()
      },
    })
  }

  return { rows, shown, state, failure, search, sort, load, sortBy, keep, change, discard }
})

function byName(a: ShelfRow, b: ShelfRow): number {
  return a.name.localeCompare(b.name)
}

const COMPARE: Record<SortKey, (a: ShelfRow, b: ShelfRow) => number> = {
  name: byName,
  span: (a, b) => a.start.localeCompare(b.start) || a.periods - b.periods,
  last: (a, b) => (a.last?.value ?? -Infinity) - (b.last?.value ?? -Infinity),
  change: (a, b) => (changeOnYear(a) ?? -Infinity) - (changeOnYear(b) ?? -Infinity),
}

function shortened(name: string): string {
  return name.length > 60 ? `${name.slice(0, 57)}…` : name
}
