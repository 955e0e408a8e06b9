import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Cell } from '~~/core/column/cell'
import type { Column } from '~~/core/column/column'
import { explain, explainColumn, type Explanation } from '~~/core/ledger/explain'
import { ledgerOf } from '~~/core/ledger/ledger'
import { capitalized } from '~~/core/series/noun'
import type { Stage } from '~~/core/stage'
import { useBeside } from '../beside/besideStore'
import { usePins } from '../pins/pinStore'
import { useBench } from '../study/benchStore'
import { useLedger } from './ledgerStore'
import { useWindow } from './windowStore'

/** Consecutive periods, both ends included, as time codes. */
export interface Marked {
  readonly from: number
  readonly to: number
}

/** What the analyst points at: the cursor, the selected cell with its arithmetic, a marked stretch. */
export const useSelection = defineStore('bench-selection', () => {
  const bench = useBench()
  const beside = useBeside()
  const pins = usePins()
  const ledger = useLedger()
  const time = useWindow()

  /** The period that is marked in every strip and row. */
  const cursor = ref<number | null>(null)
  /** The period under the pointer, whose values are shown in every strip. */
  const pointed = ref<number | null>(null)
  const selected = shallowRef<Cell | null>(null)
  /** Where a stretch was begun, and how far it goes; null while none is marked. */
  const anchor = ref<number | null>(null)
  const reach = ref<number | null>(null)
  const marked = computed<Marked | null>(() => {
    if (anchor.value === null) return null
    const other = reach.value ?? anchor.value
    return { from: Math.min(anchor.value, other), to: Math.max(anchor.value, other) }
  })

  function select(cell: Cell | null): void {
    selected.value = cell
    if (cell) cursor.value = cell.t
  }

  /** Moves the selected cell and brings it into the window. */
  function moveTo(cell: Cell): void {
    const t = Math.min(Math.max(cell.t, ledger.firstT), ledger.lastT)
    select({ column: cell.column, t })
    if (anchor.value !== null) reach.value = Math.min(t, ledger.lastActual)
    time.bringIn(t)
  }

  /** Marks the periods between two of the analysed span. */
  function mark(from: number, to: number): void {
    const within = (t: number) => Math.min(Math.max(t, ledger.firstT), ledger.lastActual)
    anchor.value = within(from)
    reach.value = within(to)
  }

  function unmark(): void {
    anchor.value = reach.value = null
  }

  /** The cell of a row that has a figure, nearest to the cursor or to the last actual period. */
  function nearestDefined(column: string): Cell | null {
    if (!bench.shown) return null
    const from = cursor.value ?? ledger.lastActual
    for (let distance = 0; distance <= ledger.lastT; distance++) {
      for (const t of [from - distance, from + distance]) {
        if (t < ledger.firstT || t > ledger.lastT) continue
        if (ledger.valueAt(column, t) !== null) return { column, t }
      }
    }
    return null
  }

  /** The row above or below, at its nearest period that has a figure. */
  function changeRow(by: number): void {
    const { rows } = ledger
    const at = rows.findIndex(({ name }) => name === selected.value?.column)
    const next = rows[at < 0 ? 0 : Math.min(Math.max(at + by, 0), rows.length - 1)]
    if (next) moveTo(nearestDefined(next.name) ?? { column: next.name, t: cursor.value ?? 1 })
  }

  const explanation = computed<Explanation | null>(() => {
    const cell = selected.value
    const row = ledger.everyRow.find(({ name }) => name === cell?.column)
    if (!cell || !row || !bench.shown) return null
    if (cell.t < ledger.firstT || cell.t > ledger.lastT) return null
    if (row.pinned) return explainPinned(row.pinned, cell.t)
    return ledger.own!.find(row.name)
      ? explain(bench.shown, row.name, cell.t)
      : explainColumn(ledger.own!.run, row, cell.t, ledger.valueAt(row.name, cell.t))
  })

  function explainPinned({ name }: Column, t: number): Explanation | null {
    const { result } = pins.ghost!
    const { firstT: from, endT } = ledgerOf(result).run
    if (t < from || t > endT) return null
    const explained = explain(result, name, t)
    const title = `${capitalized(pins.ghostWord)}: ${explained.title}`
    // Its sources are cells of the pinned result, which are not all in the ledger.
    return explained.defined ? { ...explained, title, sources: [] } : { ...explained, title }
  }

  /** The cells the selected one was made from, by row. */
  const sources = computed(() => {
    const byRow = new Map<string, Set<number>>()
    if (!explanation.value?.defined) return byRow
    for (const { column, t } of explanation.value.sources) {
      byRow.set(column, (byRow.get(column) ?? new Set()).add(t))
    }
    return byRow
  })

  /** Goes to a stage of the path; cursor and a chosen window stay. */
  function chooseStage(next: Stage): void {
    ledger.stage = next
    time.showForStage()
    ledger.foldColumn = ledger.foldedAt(next)
    select(nearestDefined(ledger.focusOf(next)))
  }

  /** Starts anew with a series that has just been opened. */
  function reset(): void {
    ledger.folded = false
    selected.value = cursor.value = null
    unmark()
    beside.reset()
    pins.clear()
    time.showAsAtFirst()
    // The series itself, all of it, is what one wants to see first.
    chooseStage('look')
  }

  // Folded, the row that the analyst has selected is what there is to see.
  watch(
    () => ledger.folded,
    (folded) => {
      const column = selected.value?.column
      if (!folded || column === undefined || column === ledger.focusOf(ledger.stage)) return
      const row = ledger.own?.find(column)
      if (row?.actual && row.offset === 0) ledger.foldColumn = column
    },
  )
  // A method can end rows: what is selected in them goes.
  watch(
    () => ledger.everyRow,
    (all) => {
      const cell = selected.value
      if (cell && !all.some(({ name }) => name === cell.column)) selected.value = null
    },
  )

  return {
    cursor,
    pointed,
    selected,
    anchor,
    marked,
    explanation,
    sources,
    select,
    moveTo,
    mark,
    unmark,
    nearestDefined,
    changeRow,
    chooseStage,
    reset,
  }
})
