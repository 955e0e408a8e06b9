import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { displayScale, type DisplayScale } from '~~/core/words/displayScale'
import { formatDecimals } from '~/figures/format'
import { axisOf } from '~~/core/calendar/axis'
import type { Column } from '~~/core/column/column'
import { traitsOf } from '~~/core/decompose/ways'
import { columnValues, ledgerOf, leftOutOf } from '~~/core/ledger/ledger'
import type { Value } from '~~/core/series/series'
import type { Stage } from '~~/core/stage'
import { useBeside } from '../beside/besideStore'
import { pinnedValues, usePins } from '../pins/pinStore'
import { stageOf } from '../stage/stages'
import { useBench } from '../study/benchStore'

/** A row of the ledger on the screen; a second line shows the same of the pinned result. */
export interface Row extends Column {
  /** The pinned result's own column, for such a line. */
  readonly pinned?: Column
}

/** Which columns of the calculation are on the screen: the stage's, as rows, strips or a folded grid. */
export const useLedger = defineStore('bench-ledger', () => {
  const bench = useBench()
  const beside = useBeside()
  const pins = usePins()

  const stage = ref<Stage>('look')
  const allSteps = ref(false)
  /** What the vertical scale of a strip is that of: what is seen, the whole series, or one for all strips at Season. */
  const scaledBy = ref<'window' | 'series' | 'all strips'>('window')
  const oneScale = computed(() => scaledBy.value === 'all strips' && stage.value === 'season')
  /** Names of the groups of columns that are on the screen one by one. */
  const openGroups = ref<readonly string[]>([])
  const folded = ref(false)
  /** The row that is folded into a grid. */
  const foldColumn = ref<string>('seasonalIrregular')

  /** Time codes of the analysed span and of the end of the forecast. */
  const firstT = computed(() => bench.shown?.columns.t[0] ?? 1)
  const lastActual = computed(
    () => bench.shown?.columns.t.at(-1) ?? bench.series?.values.length ?? 1,
  )
  const lastT = computed(() => bench.result?.forecast.t.at(-1) ?? lastActual.value)

  /** The same object as long as it says the same: charts are made anew for another one. */
  const scale = computed<DisplayScale>((before) => {
    const next = displayScale(bench.series?.values ?? [], bench.series?.unit ?? '')
    return before && JSON.stringify(before) === JSON.stringify(next) ? before : next
  })

  const own = computed(() => (bench.shown ? ledgerOf(bench.shown) : null))
  /** What is looked at beside the ledger at this stage. */
  const inspected = computed(() => beside.inspect(stage.value))
  const everyRow = computed<Row[]>(() => [
    ...(own.value?.columns ?? []).flatMap((row) => [row, ...pinnedRow(row)]),
    ...inspected.value.flatMap((one) => (one.problem === null ? [one.column] : [])),
  ])
  /** The rows of this stage, those of a group as well. */
  const ofStage = computed(() => {
    if (allSteps.value || !bench.result) return everyRow.value
    const besideNames = new Set(inspected.value.map((one) => one.column?.name))
    return everyRow.value.filter(
      ({ name, stages }) => stages.includes(stage.value) || besideNames.has(name),
    )
  })
  const rows = computed(() =>
    ofStage.value.filter(({ group }) => group === null || openGroups.value.includes(group.name)),
  )
  /** The groups of this stage, each with how many columns it folds away until they are asked for. */
  const groups = computed(() => {
    const all = new Map<string, { name: string; label: string; count: number; isOpen: boolean }>()
    for (const { group, pinned } of ofStage.value) {
      // The second line of a row is no column more.
      if (!group || pinned) continue
      const { count } = all.get(group.name) ?? { count: 0 }
      all.set(group.name, {
        ...group,
        count: count + 1,
        isOpen: openGroups.value.includes(group.name),
      })
    }
    return [...all.values()]
  })

  function foldGroup(name: string): void {
    openGroups.value = openGroups.value.includes(name)
      ? openGroups.value.filter((one) => one !== name)
      : [...openGroups.value, name]
  }

  /** The second line of a row: the same of the pinned result, where that is another. */
  function pinnedRow(row: Column): Row[] {
    const { ghost } = pins
    if (!ghost || row.name === 'original' || row.name === 'value') return []
    const pinned = ledgerOf(ghost.result).find(row.name)
    if (!pinned) return []
    return [
      {
        ...pinned,
        name: `pinned ${row.name}`,
        label: pins.ghostWord,
        means: pins.ghostName,
        pinned,
      },
    ]
  }

  /** The figures of a row, from the first period to the last of the forecast. */
  function valuesOf(row: Row): readonly Value[] {
    const span = { first: firstT.value, last: lastT.value }
    return row.pinned ? pinnedValues(pins.ghost!, row.pinned, span) : columnValues(own.value!, row)
  }

  /** The figures of every row shown; what is folded away costs nothing. */
  const figures = computed(() => {
    const all = new Map<string, readonly Value[]>()
    if (!own.value) {
      const cameIn = bench.series?.values ?? []
      return all.set('value', cameIn).set('original', cameIn)
    }
    all.set('original', bench.shown!.columns.original)
    for (const row of rows.value) all.set(row.name, valuesOf(row))
    return all
  })

  /** A figure of a column. Like {@link labelAt} no action of the store, since every cell asks and an action is watched. */
  const valueAt = computed(() => {
    const [known, first, every] = [new Map(figures.value), firstT.value, everyRow.value]
    return (column: string, t: number): Value => {
      if (!known.has(column)) {
        const row = every.find(({ name }) => name === column)
        known.set(column, row ? valuesOf(row) : [])
      }
      return known.get(column)![t - first] ?? null
    }
  })

  /** A figure in the unit of the strips; a dash where there is none. */
  function onScale(value: Value): string {
    const { divisor, decimals } = scale.value
    return value === null ? '–' : formatDecimals(value / divisor, decimals)
  }

  /** Code of a period of the analysed span: `2019-06`. */
  function codeAt(t: number): string | null {
    return bench.shown?.columns.period[t - firstT.value] ?? null
  }

  /** A period as the trade writes it: `Jun 2019`. */
  const labelAt = computed(() => axisOf(bench.series!).label)

  /** Time codes whose value is left out of its season. */
  const leftOut = computed<ReadonlySet<number>>(() =>
    bench.result ? leftOutOf(bench.result) : new Set(),
  )

  /** The row a stage looks at first, of those that the method has. */
  function focusOf(at: Stage): string {
    return stageOf(at).focus.find((name) => own.value?.find(name)) ?? 'value'
  }

  /** The row that a stage folds; a season that may change is in its indices, which move over the years. */
  function foldedAt(at: Stage): string {
    const focus = focusOf(at)
    if (!own.value?.find(focus)?.actual) return 'value'
    const { result } = bench
    const mayChange = result && traitsOf(result.method.decompose).seasonMayChange
    return at === 'season' && mayChange ? 'index' : focus
  }

  /** Lays the years over each other, or back into a row; a yearly series has nothing to fold. */
  function fold(): void {
    folded.value = !folded.value && (bench.series?.calendar.seasons ?? 1) > 1
  }

  watch(
    () => bench.result?.method.decompose.by,
    () => {
      if (stage.value === 'season') foldColumn.value = foldedAt('season')
    },
  )
  // A method can end rows: what is on the screen follows.
  watch(everyRow, (all) => {
    if (!all.some((row) => row.name === foldColumn.value)) foldColumn.value = 'value'
  })

  return {
    stage,
    allSteps,
    scaledBy,
    oneScale,
    groups,
    foldGroup,
    folded,
    foldColumn,
    firstT,
    lastActual,
    lastT,
    scale,
    own,
    inspected,
    everyRow,
    rows,
    figures,
    leftOut,
    valueAt,
    onScale,
    codeAt,
    labelAt,
    focusOf,
    foldedAt,
    fold,
  }
})
