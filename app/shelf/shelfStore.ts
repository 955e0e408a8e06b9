import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api } from '~/api/client'
import { isWithin, withWider } from '~~/core/addingUp/nodes'
import { byUrgency, type Reason } from '~~/core/catalogue/attention'
import { useNotices } from '~/shell/noticeStore'
import type { NewSeries, SeriesAct, SeriesChange, ShelfPage, ShelfRow } from '~~/shared/api/series'
import type { Worked } from '~~/shared/api/catalogue'
import {
  byName,
  chosenColumns,
  COLUMNS,
  keepColumns,
  liesWithin,
  type ColumnKey,
  type ColumnLimits,
  type Limits,
} from './columns'

/** Rows that are read at once: at first several times what a screen holds, then as many as the server gives. */
const FIRST_PAGE = 100
const NEXT_PAGE = 250

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
  /** Whether only those are shown that somebody should look at. */
  const onlyToLookAt = ref(false)
  /** Why they are to be looked at: those of one reason alone; null for all. */
  const reason = ref<Reason | null>(null)
  const columns = shallowRef(chosenColumns())
  /** Where the figures of columns must lie to be shown. */
  const limits = shallowRef<ColumnLimits>(new Map())
  const sort = ref<{ key: ColumnKey; descending: boolean }>({ key: 'name', descending: false })

  /**
   * All by their names, with what is searched in each: names of ten thousand are compared once, and not for every order that
   * ends with them.
   */
  const byNames = computed(() =>
    [...rows.value].sort(byName).map((row) => ({ row, text: searchedText(row) })),
  )

  /** All in the order that they are shown in: who searches among ten thousand does not have them ordered anew with every letter. */
  const ordered = computed(() => {
    const { key, descending } = sort.value
    if (key === 'name') return descending ? [...byNames.value].reverse() : byNames.value
    const [direction, { compare }] = [descending ? -1 : 1, COLUMNS[key]]
    // Rows that are the same stay in the order of their names.
    return [...byNames.value].sort((a, b) => direction * compare(a.row, b.row))
  })

  /** Those of the group that is shown, and of the words that are searched for. */
  const found = computed(() => {
    const words = search.value.trim().toLowerCase()
    return ordered.value.flatMap(({ row, text }) =>
      (group.value === null || isWithin(row.group, group.value)) &&
      liesWithin(row, limits.value) &&
      text.includes(words)
        ? [row]
        : [],
    )
  })

  const shown = computed(() =>
    onlyToLookAt.value
      ? found.value.filter((row) => needsALook(row) && hasReason(row))
      : found.value,
  )

  function hasReason({ worked }: ShelfRow): boolean {
    return reason.value === null || worked!.attention.some(({ code }) => code === reason.value)
  }

  /**
   * Those of them that somebody should look at and nobody has seen, the most urgent first: who
   * chose a group goes through that group, and not on into another.
   */
  const toLookAt = computed(() =>
    byUrgency(found.value.filter((row) => needsALook(row) && hasReason(row)).map(withReasons)),
  )

  function showToLookAt(isOnly: boolean): void {
    onlyToLookAt.value = isOnly
    reason.value = null
    sort.value = { key: isOnly ? 'urgency' : 'name', descending: false }
  }

  function chooseColumn(key: ColumnKey, isChosen: boolean): void {
    const next = new Set(columns.value)
    if (isChosen) next.add(key)
    else next.delete(key)
    columns.value = next
    keepColumns(next)
  }

  /** Limits what is shown by a column; with both ends open by it no more. */
  function limit(key: ColumnKey, { from, to }: Limits): void {
    const next = new Map(limits.value)
    if (from === null && to === null) next.delete(key)
    else next.set(key, { from, to })
    limits.value = next
  }

  /** Whether something else than a group is asked for. */
  const isNarrowed = computed(
    () => search.value.trim() !== '' || limits.value.size > 0 || onlyToLookAt.value,
  )

  function showAll(): void {
    search.value = ''
    group.value = null
    limits.value = new Map()
    showToLookAt(false)
  }

  /** Notes that somebody has seen what there is to look at, at once on the page. */
  async function noteSeen(id: string, seen: boolean, note: string): Promise<void> {
    const before = rows.value
    rows.value = before.map((row) =>
      row.id === id && row.worked
        ? { ...row, worked: { ...row.worked, seen: seen ? { note } : null } }
        : row,
    )
    try {
      await api(`/series/${id}/seen`, { method: 'PUT', body: { seen, note } })
    } catch (error) {
      rows.value = before
      useNotices().show({ text: (error as Error).message })
    }
  }

  const groups = computed(() => withWider(rows.value.map((row) => row.group)))

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
        const where = after === null ? '' : `&after=${encodeURIComponent(after)}`
        const limit = after === null ? FIRST_PAGE : NEXT_PAGE
        const page: ShelfPage = await api<ShelfPage>(`/series?limit=${limit}${where}`)
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

  function sortBy(key: ColumnKey): void {
    const again = sort.value.key === key
    sort.value = {
      key,
      descending: again ? !sort.value.descending : COLUMNS[key].descends === true,
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
    onlyToLookAt,
    reason,
    columns,
    limits,
    limit,
    showAll,
    isNarrowed,
    chooseColumn,
    toLookAt,
    selected,
    sort,
    load,
    loaded,
    sortBy,
    keep,
    change,
    showToLookAt,
    noteSeen,
    select,
    selectShown,
    discard,
    putIntoGroup,
  }
})

/** What is searched of a series, a line for each: no search is found across two of them. */
function searchedText({ name, group, unit, notes }: ShelfRow): string {
  return [name, group, unit, notes].join('\n').toLowerCase()
}

function needsALook({ worked }: ShelfRow): boolean {
  return worked !== undefined && worked.seen === null && worked.attention.length > 0
}

function withReasons(row: ShelfRow): ShelfRow & Pick<Worked, 'attention'> {
  return { ...row, attention: row.worked?.attention ?? [] }
}

function shortened(name: string): string {
  return name.length > 60 ? `${name.slice(0, 57)}…` : name
}
