import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { displayScale, type DisplayScale } from '~/figures/displayScale'
import { traitsOf } from '~~/core/decompose/ways'
import { explain, explainColumn, type Explanation } from '~~/core/ledger/explain'
import type { Cell } from '~~/core/column/cell'
import { columnValues, ledgerOf } from '~~/core/ledger/ledger'
import type { Column } from '~~/core/column/column'
import type { Value } from '~~/core/series/series'
import { gutterFor } from './axis/gutter'
import { fitWindow, zoomWindow, type TimeAxis, type Window } from './axis/timeAxis'
import { useBench } from './benchStore'
import { pinnedValues, usePins } from './compare/pinStore'
import { useInspection } from './inspect/inspectionStore'
import { narrowestColumn } from './ledger/fitting'
import { STAGE_VIEWS, type Stage } from './path/stages'

/** Forecast periods in the window of a stage that does not forecast. */
const AHEAD_ELSEWHERE = 3

/** A row of the ledger on the screen; a second line shows the same of the pinned result. */
export interface Row extends Column {
  /** The pinned result's own column, for such a line. */
  readonly pinned?: Column
}

/** What of a study is on the screen: stage, window, cursor, the selected cell, folded or not. */
export const useView = defineStore('bench-view', () => {
  const bench = useBench()
  const inspection = useInspection()
  const pins = usePins()
  const stage = ref<Stage>('season')
  const folded = ref(false)
  const allSteps = ref(false)
  /** Whether all strips of components are drawn on one scale. */
  const oneScale = ref(false)
  /** The row that is folded into a grid. */
  const foldColumn = ref<string>('seasonalIrregular')
  /** Pixels of the axis, the same for every strip and the ledger. */
  const plotWidth = ref(648)
  /** Pixels left of it, where strips and rows are named. */
  const gutter = ref(gutterFor(Infinity))
  /** The period under the pointer, whose values are shown in every strip. */
  const pointed = ref<number | null>(null)
  const window = shallowRef<Window>({ from: 0.5, to: 24.5 })
  /** Whether the analyst chose the window; a stage then leaves it alone. */
  const windowIsOwn = ref(false)
  const cursor = ref<number | null>(null)
  const selected = shallowRef<Cell | null>(null)

  const firstT = computed(() => bench.shown?.columns.t[0] ?? 1)
  const lastActual = computed(
    () => bench.shown?.columns.t.at(-1) ?? bench.series?.values.length ?? 1,
  )
  const lastT = computed(() => bench.result?.forecast.t.at(-1) ?? lastActual.value)
  const whole = computed<Window>(() => ({ from: firstT.value - 0.5, to: lastT.value + 0.5 }))
  const axis = computed<TimeAxis>(() => ({ ...window.value, width: plotWidth.value }))

  /** The same object as long as it says the same: charts are made anew for another one. */
  const scale = computed<DisplayScale>((before) => {
    const next = displayScale(bench.series?.values ?? [], bench.series?.unit || 'units')
    return before && JSON.stringify(before) === JSON.stringify(next) ? before : next
  })

  /** What is looked at beside the ledger at this stage. */
  const inspected = computed(() => inspection.inspect(stage.value))
  const ledger = computed(() => (bench.shown ? ledgerOf(bench.shown) : null))
  const everyRow = computed<Row[]>(() => [
    ...(ledger.value?.columns ?? []).flatMap((row) => [row, ...pinnedRow(row)]),
    ...inspected.value.flatMap((one) => (one.problem === null ? [one.column] : [])),
  ])
  const rows = computed(() => {
    if (allSteps.value || !bench.result) return everyRow.value
    const beside = new Set(inspected.value.map((one) => one.column?.name))
    return everyRow.value.filter(
      ({ name, stages }) => stages.includes(stage.value) || beside.has(name),
    )
  })

  /** The second line of a row: the same of the pinned result, where that is another. */
  function pinnedRow(row: Column): Row[] {
    const { ghost } = pins
    if (!ghost || row.name === 'original' || row.name === 'value') return []
    const pinned = ledgerOf(ghost.result).find(row.name)
    return pinned ? [{ ...pinned, name: `pinned ${row.name}`, label: 'pinned', pinned }] : []
  }

  /** The figures of every row shown, from the first period to the last of the forecast. */
  const figures = computed(() => {
    const all = new Map<string, readonly Value[]>()
    const own = ledger.value
    if (!own) {
      const cameIn = bench.series?.values ?? []
      return all.set('value', cameIn).set('original', cameIn)
    }
    const span = { first: firstT.value, last: lastT.value }
    all.set('original', bench.shown!.columns.original)
    for (const row of everyRow.value) {
      const values = row.pinned
        ? pinnedValues(pins.ghost!, row.pinned, span)
        : columnValues(own, row)
      all.set(row.name, values)
    }
    return all
  })

  /** Columns this wide or wider show their figures as numbers; below, as shaded marks. */
  const numbersFrom = computed(() =>
    narrowestColumn(rows.value, (name) => figures.value.get(name) ?? [], scale.value),
  )

  function valueAt(column: string, t: number): Value {
    return figures.value.get(column)?.[t - firstT.value] ?? null
  }

  const explanation = computed<Explanation | null>(() => {
    const cell = selected.value
    const row = everyRow.value.find(({ name }) => name === cell?.column)
    if (!cell || !row || !bench.shown) return null
    if (cell.t < firstT.value || cell.t > lastT.value) return null
    if (row.pinned) return explainPinned(row.pinned, cell.t)
    return ledger.value!.find(row.name)
      ? explain(bench.shown, row.name, cell.t)
      : explainColumn(ledger.value!.run, row, cell.t, valueAt(row.name, cell.t))
  })

  function explainPinned({ name }: Column, t: number): Explanation | null {
    const { result } = pins.ghost!
    const { firstT: from, endT } = ledgerOf(result).run
    if (t < from || t > endT) return null
    const explained = explain(result, name, t)
    // Its sources are cells of the pinned result, which are not all in the ledger.
    return explained.defined
      ? { ...explained, title: `Pinned: ${explained.title}`, sources: [] }
      : { ...explained, title: `Pinned: ${explained.title}` }
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
   * The latest periods that fit as numbers; of the forecast no more than what shows that it goes on, but for
   * the stage that is about it.
   */
  function showRecent(): void {
    const columns = Math.floor(plotWidth.value / numbersFrom.value)
    const most = stage.value === 'project' ? columns : AHEAD_ELSEWHERE
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

  /** Lays the years over each other, or back into a row; a yearly series has nothing to fold. */
  function fold(): void {
    folded.value = !folded.value && (bench.series?.calendar.seasons ?? 1) > 1
  }

  /** Lets the stage choose the window again. */
  function showAsAtFirst(): void {
    windowIsOwn.value = false
    showForStage()
  }

  function chooseStage(next: Stage): void {
    stage.value = next
    showForStage()
    foldColumn.value = foldedAt(next)
    select(nearestDefined(focusOf(next)))
  }

  /** The row a stage looks at first, of those that the method has. */
  function focusOf(at: Stage): string {
    const { focus } = STAGE_VIEWS[at]
    return focus.find((name) => ledger.value?.find(name)) ?? 'value'
  }

  /** The row that a stage folds; a season that may change is in its indices, which move over the years. */
  function foldedAt(at: Stage): string {
    const focus = focusOf(at)
    if (!ledger.value?.find(focus)?.actual) return 'value'
    const { result } = bench
    const mayChange = result && traitsOf(result.method.decompose).seasonMayChange
    return at === 'season' && mayChange ? 'index' : focus
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
  function nearestDefined(column: string): Cell | null {
    if (!bench.shown) return null
    const from = cursor.value ?? lastActual.value
    for (let distance = 0; distance <= lastT.value; distance++) {
      for (const t of [from - distance, from + distance]) {
        if (t < firstT.value || t > lastT.value) continue
        if (valueAt(column, t) !== null) return { column, t }
      }
    }
    return null
  }

  /** Season, unless there is none to see: then the first stage that has something to show. */
  function firstStage(): Stage {
    if (!bench.result) return 'look'
    return traitsOf(bench.result.method.decompose).hasSeason ? 'season' : 'smooth'
  }

  /** Starts anew with a series that has just been opened. */
  function reset(): void {
    folded.value = false
    selected.value = cursor.value = null
    windowIsOwn.value = false
    inspection.reset()
    pins.clear()
    chooseStage(firstStage())
  }

  // A method can end rows and move the end of the axis: what is on the screen follows.
  watch([whole, everyRow], () => {
    window.value = fitWindow(window.value, whole.value)
    // Longer figures need wider columns, as long as the analyst has not chosen the window.
    showForStage()
    const cell = selected.value
    if (cell && !everyRow.value.some(({ name }) => name === cell.column)) selected.value = null
    if (!everyRow.value.some((row) => row.name === foldColumn.value)) foldColumn.value = 'value'
  })

  return {
    stage,
    folded,
    allSteps,
    oneScale,
    foldColumn,
    plotWidth,
    gutter,
    pointed,
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
    ledger,
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
    showAsAtFirst,
    reset,
    chooseStage,
    fold,
    select,
    moveTo,
    nearestDefined,
  }
})
