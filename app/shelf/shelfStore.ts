import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api } from '~/api/client'
import { useNotices } from '~/shell/noticeStore'
import type { NewSeries, SeriesAct, SeriesChange, ShelfPage, ShelfRow } from '~~/shared/api/series'
import { changeOnYear } from './changeOnYear'

/** The columns the shelf can be sorted by. */
export type SortKey = 'name' | 'group' | 'span' | 'last' | 'change'

/** Rows that are read at once: several times what a screen holds. */
const PAGE = 100

/** All series, as the server has them. */
export const useShelf = defineStore('shelf', () => {
  const rows = shallowRef<readonly ShelfRow[]>([])
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')
  /** Another object each time that the shelf is read again. */
  const read = shallowRef<object>({})
  const search = ref('')
  /** The group that is shown; null for all, empty for series without one. */
  const group = ref<string | null>(null)
  const selected = shallowRef<ReadonlySet<string>>(new Set())
  const sort = ref<{ key: SortKey; descending: boolean }>({ key: 'name', descending: false })

  const shown = computed(() => {
    const words = search.value.trim().toLowerCase()
    const found = rows.value.filter(
      (row) =>
        (group.value === null || row.group === group.value) &&
        [row.name, row.group, row.unit, row.notes].some((text) =>
          text.toLowerCase().includes(words),
        ),
    )
    const direction = sort.value.descending ? -1 : 1
    return found.sort((a, b) => direction * COMPARE[sort.value.key](a, b) || byName(a, b))
  })

  const groups = computed(() => [...new Set(rows.value.map((row) => row.group))].sort())

  let reading: Promise<void> = Promise.resolve()

  /** Reads the shelf; who asks for {@link loaded} waits for the last one. */
  function load(): Promise<void> {
    reading = readPages()
    return reading
  }

  /** Settles once the shelf is here as a whole, or cannot be had. */
  function loaded(): Promise<void> {
    return reading
  }

  /** Page by page; what is read first is shown while the rest comes. */
  async function readPages(): Promise<void> {
    const own = {}
    read.value = own
    try {
      let found: readonly ShelfRow[] = []
      let after: string | null = null
      do {
        const more = after === null ? '' : `&after=${encodeURIComponent(after)}`
        const page: ShelfPage = await api<ShelfPage>(`/series?limit=${PAGE}${more}`)
        // It is being read anew.
        if (read.value !== own) return
        found = [...found, ...page.series]
        after = page.next
        const isMore = found.length > rows.value.length || after === null
        if (isMore) rows.value = found
        state.value = 'ready'
      } while (after !== null)
    } catch (error) {
      if (read.value !== own) return
      state.value = 'failed'
      failure.value = (error as Error).message
    }
  }

  function sortBy(key: SortKey): void {
    const again = sort.value.key === key
    sort.value = {
      key,
      descending: again ? !sort.value.descending : key === 'last' || key === 'change',
    }
  }

  async function keep(series: readonly NewSeries[]): Promise<ShelfRow[]> {
    const kept = await api<{ series: ShelfRow[] }>('/series', { method: 'POST', body: { series } })
    rows.value = [...rows.value, ...kept.series]
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

  function select(id: string, isSelected: boolean): void {
    const next = new Set(selected.value)
    if (isSelected) next.add(id)
    else next.delete(id)
    selected.value = next
  }

  function selectShown(isSelected: boolean): void {
    selected.value = new Set(isSelected ? shown.value.map(({ id }) => id) : [])
  }

  /** Does the same to several series on the server, and reads the shelf again. */
  async function act(what: SeriesAct, text: string, back: readonly SeriesAct[]): Promise<void> {
    const notices = useNotices()
    try {
      await api('/series/acts', { method: 'POST', body: what })
    } catch (error) {
      notices.show({ text: (error as Error).message })
      return
    }
    selected.value = new Set()
    await load()
    notices.show({
      text,
      undo: async () => {
        for (const one of back) await api('/series/acts', { method: 'POST', body: one })
        await load()
      },
    })
  }

  function discard(ids: readonly string[]): Promise<void> {
    const [only] = rows.value.filter(({ id }) => id === ids[0])
    const text =
      ids.length === 1 && only
        ? `${shortened(only.name)} was deleted.`
        : `${ids.length} series were deleted.`
    return act({ act: 'discard', ids: [...ids] }, text, [{ act: 'restore', ids: [...ids] }])
  }

  function putIntoGroup(ids: readonly string[], name: string): Promise<void> {
    const wanted = new Set(ids)
    const before = new Map<string, string[]>()
    for (const row of rows.value) {
      if (wanted.has(row.id)) before.set(row.group, [...(before.get(row.group) ?? []), row.id])
    }
    const back = [...before].map(([was, own]): SeriesAct => ({
      act: 'group',
      group: was,
      ids: own,
    }))
    const words = name ? `in the group ${shortened(name)}` : 'in no group'
    const text = `${ids.length} series ${ids.length === 1 ? 'is' : 'are'} now ${words}.`
    return act({ act: 'group', ids: [...ids], group: name }, text, back)
  }

  return {
    rows,
    shown,
    groups,
    state,
    failure,
    read,
    search,
    group,
    selected,
    sort,
    load,
    loaded,
    sortBy,
    keep,
    change,
    select,
    selectShown,
    discard,
    putIntoGroup,
  }
})

function byName(a: ShelfRow, b: ShelfRow): number {
  return a.name.localeCompare(b.name)
}

const COMPARE: Record<SortKey, (a: ShelfRow, b: ShelfRow) => number> = {
  name: byName,
  group: (a, b) => a.group.localeCompare(b.group),
  span: (a, b) => a.start.localeCompare(b.start) || a.periods - b.periods,
  last: (a, b) => (a.last?.value ?? -Infinity) - (b.last?.value ?? -Infinity),
  change: (a, b) => (changeOnYear(a)?.by ?? -Infinity) - (changeOnYear(b)?.by ?? -Infinity),
}

function shortened(name: string): string {
  return name.length > 60 ? `${name.slice(0, 57)}…` : name
}
