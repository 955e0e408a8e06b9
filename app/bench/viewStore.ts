import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { displayScale, type DisplayScale } from '~/figures/displayScale'
import { formatDecimals } from '~/figures/format'
import { explain } from '~~/core/ledger/explain'
import { explainBeside } from '~~/core/beside/explainBeside'
import { rowValues, type Cell, type CellColumn } from '~~/core/ledger/cell'
import { limitOf } from '~~/core/ledger/cell'
import { ledgerRows, type LedgerRow } from '~~/core/ledger/rows'
import type { Value } from '~~/core/series/series'
import { fitWindow, zoomWindow, type TimeAxis, type Window } from './axis/timeAxis'
import { useBench } from './benchStore'
import { pinnedValues, usePins } from './compare/pinStore'
import { useInspection } from './inspect/inspectionStore'
import { STAGE_VIEWS, type Stage } from './path/stages'

/** Pixels of a character of a figure in the ledger, and what a cell keeps free beside it. */
const CHARACTER_PX = 5.8
const CELL_MARGIN_PX = 3
/** A factor with two decimals and its sign needs this much. */
const FACTOR_PX = 26

/** What of a study is on the screen: stage, window, cursor, the selected cell, folded or not. */
export const useView = defineStore('bench-view', () => {
  const bench = useBench()
  const inspection = useInspection()
  const pins = usePins()
  const stage = ref<Stage>('season')
  const folded = ref(false)
  const allSteps = ref(false)
  /** The row that is folded into a grid. */
  const foldColumn = ref<CellColumn>('seasonalIrregular')
  /** Pixels of the axis, the same for every strip and the ledger. */
  const plotWidth = ref(648)
  const window = shallowRef<Window>({ from: 0.5, to: 24.5 })
  /** Whether the analyst chose the window; a stage then leaves it alone. */
  const windowIsOwn = ref(false)
  const cursor = ref<number | null>(null)
  const selected = shallowRef<Cell | null>(null)

  const firstT = computed(() => bench.result?.columns.t[0] ?? 1)
  const lastActual = computed(
    () => bench.result?.columns.t.at(-1) ?? bench.series?.values.length ?? 1,
  )
  const lastT = computed(() => bench.result?.forecast.t.at(-1) ?? lastActual.value)
  const whole = computed<Window>(() => ({ from: firstT.value - 0.5, to: lastT.value + 0.5 }))
  const axis = computed<TimeAxis>(() => ({ ...window.value, width: plotWidth.value }))

  /** The same object as long as it says the same: charts are made anew for another one. */
  const scale = computed<DisplayScale>((before) => {
    const next = displayScale(bench.series?.values ?? [], bench.series?.unit || 'units')
    return before && JSON.stringify(before) === JSON.stringify(next) ? before : next
  })

  /** A column this wide or wider shows its figures as numbers; below, as shaded marks. */
  const numbersFrom = computed(() => {
    const { divisor, decimals } = scale.value
    const largest = (bench.series?.values ?? []).reduce<number>(
      (most, value) => Math.max(most, Math.abs(value ?? 0)),
      0,
    )
    const characters = formatDecimals(largest / divisor, decimals).length
    return Math.max(FACTOR_PX, Math.ceil(characters * CHARACTER_PX + CELL_MARGIN_PX))
  })

  /** What is looked at beside the ledger at this stage. */
  const inspected = computed(() => inspection.inspect(stage.value))
  const ownRows = computed<LedgerRow[]>(() =>
    bench.result ? ledgerRows(bench.result) : onlySales(bench.series?.unit || 'units'),
  )
  const everyRow = computed<LedgerRow[]>(() => [
    ...ownRows.value.flatMap((row) => [row, ...pinnedRow(row)]),
    ...inspected.value.flatMap((column) => (column.problem === null ? [column.row] : [])),
  ])
  const rows = computed(() => {
    const wanted = STAGE_VIEWS[stage.value].rows
    if (allSteps.value || !bench.result) return everyRow.value
    return everyRow.value.filter(({ column }) => {
      const own = pinnedColumn(column) ?? column
      return (
        wanted.includes(own) ||
        (wanted.includes('limits') && limitOf(own) !== null) ||
        (own === column && column.startsWith('beside:'))
      )
    })
  })

  /** The second line of a row: the same of the pinned result, where that is another. */
  function pinnedRow(row: LedgerRow): LedgerRow[] {
    const { ghost } = pins
    if (!ghost || row.column === 'original' || row.column === 'value') return []
    const pinned = ledgerRows(ghost.result).find(({ column }) => column === row.column)
    if (!pinned) return []
    return [{ ...pinned, column: `${PINNED}${row.column}`, label: 'pinned', means: pinned.means }]
  }

  /** The figures of every row shown, from the first period to the last of the forecast. */
  const figures = computed(() => {
    const all = new Map<CellColumn, readonly Value[]>()
    const { result } = bench
    if (!result) {
      return all
        .set('value', bench.series?.values ?? [])
        .set('original', bench.series?.values ?? [])
    }
    const span = { first: firstT.value, last: lastT.value }
    all.set('original', rowValues(result, 'original'))
    for (const { column } of everyRow.value) {
      const pinned = pinnedColumn(column)
      if (pinned) all.set(column, pinnedValues(pins.ghost!, pinned, span))
      else if (!column.startsWith('beside:')) all.set(column, rowValues(result, column))
    }
    for (const column of inspected.value) {
      if (column.problem === null) all.set(column.row.column, column.values)
    }
    return all
  })

  function valueAt(column: CellColumn, t: number): Value {
    return figures.value.get(column)?.[t - firstT.value] ?? null
  }

  const explanation = computed(() => {
    const cell = selected.value
    const { result } = bench
    if (!cell || !result || !everyRow.value.some((row) => row.column === cell.column)) return null
    if (cell.t < firstT.value || cell.t > lastT.value) return null
    const pinned = pinnedColumn(cell.column)
    if (pinned) return explainPinned(pinned, cell.t)
    const beside = inspected.value.find(
      (column) => column.problem === null && column.row.column === cell.column,
    )
    return beside
      ? explainBeside(result, beside.beside, cell.t)
      : explain(result, cell.column, cell.t)
  })

  function explainPinned(column: CellColumn, t: number) {
    const { result } = pins.ghost!
    const last = result.forecast.t.at(-1) ?? result.columns.t.at(-1)!
    if (t < result.columns.t[0]! || t > last) return null
    const explained = explain(result, column, t)
    // Its sources are cells of the pinned result, which are not all in the ledger.
    return explained.defined
      ? { ...explained, title: `Pinned: ${explained.title}`, sources: [] }
      : { ...explained, title: `Pinned: ${explained.title}` }
  }
  /** The cells the selected one was made from, by row. */
  const sources = computed(() => {
    const byRow = new Map<CellColumn, Set<number>>()
    if (!explanation.value?.defined) return byRow
    for (const { column, t } of explanation.value.sources) {
      byRow.set(column, (byRow.get(column) ?? new Set()).add(t))
    }
    return byRow
  })

  function setWindow(wanted: Window): void {
    windowIsOwn.value = true
    window.value = fitWindow(wanted, whole.value)
  }

  function zoom(
    factor: number,
    around = cursor.value ?? (window.value.from + window.value.to) / 2,
  ) {
    windowIsOwn.value = true
    window.value = zoomWindow(window.value, around, factor, whole.value)
  }

  /**
   * The latest periods that fit as numbers; the forecast takes a third of them at the most, but for
   * the stage that is about it.
   */
  function showRecent(): void {
    const columns = Math.floor(plotWidth.value / numbersFrom.value)
    const most = stage.value === 'project' ? columns : Math.floor(columns / 3)
    const ahead = Math.min(lastT.value - lastActual.value, most)
    const to = lastActual.value + ahead + 0.5
    setWindow({ from: to - columns, to })
  }

  function showWhole(): void {
    setWindow(whole.value)
  }

  /** The window a stage is best seen in, as long as the analyst has not chosen one. */
  function showForStage(): void {
    if (windowIsOwn.value) return
    if (STAGE_VIEWS[stage.value].seesWhole) showWhole()
    else showRecent()
    windowIsOwn.value = false
  }

  function chooseStage(next: Stage): void {
    stage.value = next
    showForStage()
    foldColumn.value = foldedAt(next)
    select(nearestDefined(STAGE_VIEWS[next].focus))
  }

  /** The row that a stage folds; the season by loess is in its indices, which move over the years. */
  function foldedAt(at: Stage): CellColumn {
    const { focus } = STAGE_VIEWS[at]
    if (focus.startsWith('forecast')) return 'value'
    return at === 'season' && bench.result?.method.decompose.by === 'stl' ? 'index' : focus
  }
  watch(
    () => bench.result?.method.decompose.by,
    () => {
      if (stage.value === 'season') foldColumn.value = foldedAt('season')
    },
  )

  function select(cell: Cell | null): void {
    selected.value = cell
    if (cell) cursor.value = cell.t
  }

  /** Moves the selected cell and brings it into the window. */
  function moveTo(cell: Cell): void {
    const t = Math.min(Math.max(cell.t, firstT.value), lastT.value)
    select({ column: cell.column, t })
    const { from, to } = window.value
    if (t - 0.5 < from) setWindow({ from: t - 0.5, to: t - 0.5 + (to - from) })
    if (t + 0.5 > to) setWindow({ from: t + 0.5 - (to - from), to: t + 0.5 })
  }

  /** The cell of a row that has a figure, nearest to the cursor or to the last actual period. */
  function nearestDefined(column: CellColumn): Cell | null {
    if (!bench.result) return null
    const from = cursor.value ?? lastActual.value
    for (let distance = 0; distance <= lastT.value; distance++) {
      for (const t of [from - distance, from + distance]) {
        if (t < firstT.value || t > lastT.value) continue
        if (valueAt(column, t) !== null) return { column, t }
      }
    }
    return null
  }

  /** Starts anew with a series that has just been opened. */
  function reset(): void {
    folded.value = false
    selected.value = cursor.value = null
    windowIsOwn.value = false
    inspection.reset()
    pins.clear()
    if (bench.result) chooseStage('season')
    else showForStage()
  }

  // A method can end rows and move the end of the axis: what is on the screen follows.
  watch([whole, everyRow], () => {
    window.value = fitWindow(window.value, whole.value)
    const cell = selected.value
    if (cell && !everyRow.value.some((row) => row.column === cell.column)) selected.value = null
    if (!everyRow.value.some((row) => row.column === foldColumn.value)) foldColumn.value = 'value'
  })

  return {
    stage,
    folded,
    allSteps,
    foldColumn,
    plotWidth,
    window,
    cursor,
    selected,
    firstT,
    lastActual,
    lastT,
    whole,
    axis,
    scale,
    numbersFrom,
    everyRow,
    rows,
    inspected,
    figures,
    valueAt,
    explanation,
    sources,
    setWindow,
    zoom,
    showRecent,
    showWhole,
    showForStage,
    reset,
    chooseStage,
    select,
    moveTo,
    nearestDefined,
  }
})

/** Rows of the pinned result are told by this before their own name. */
const PINNED = 'beside:pinned.'

/** The row that a line of the pinned result belongs to; null for any other row. */
function pinnedColumn(column: CellColumn): CellColumn | null {
  return column.startsWith(PINNED) ? (column.slice(PINNED.length) as CellColumn) : null
}

/** The ledger of a series that the method refuses: its values alone. */
function onlySales(unit: string): LedgerRow[] {
  return [
    {
      column: 'value',
      label: 'Sales',
      means: unit,
      unit,
      component: 'original',
      offset: 0,
      baseline: null,
    },
  ]
}
