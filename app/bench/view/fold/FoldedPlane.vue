<script setup lang="ts">
import { computed, ref } from 'vue'
import { isFinerThanMonths } from '~~/core/calendar/calendar'
import { axisOf } from '~~/core/calendar/axis'
import { otherCycles } from '~~/core/calendar/axisByCycle'
import { tableColumn, tableColumns } from '~~/core/calendar/tableYear'
import { seasonLabel, oneCycle } from '~~/core/calendar/labels'
import type { Column } from '~~/core/column/column'
import { capitalized, nounOf } from '~~/core/series/noun'
import type { Value } from '~~/core/series/series'
import { withinSeasonMean } from '~~/core/smoothing/rolling'
import { useBeside } from '../../beside/besideStore'
import NumberField from '../../controls/NumberField.vue'
import { columnWidth, periodUnder, xOf, type TimeAxis } from '~~/core/picture/draw/timeAxis'
import { useBench } from '../../study/benchStore'
import StripStack from '../StripStack.vue'
import { useWindow } from '../windowStore'
import { useLedger } from '../ledgerStore'
import { useSelection } from '../selectionStore'
import { foldGrid, laidOut } from '~~/core/ledger/foldGrid'
import { historiesStrip, yearsStrip, type OverHistory } from '~~/core/picture/fold/foldedStrips'
import { movesStrip } from '~~/core/picture/fold/movesStrip'
import { overSeason } from '~~/core/picture/fold/overSeason'
import SeasonGrid from './SeasonGrid.vue'

defineProps<{
  /** Pixels that the strips take up together. */
  height: number
}>()
/** Rows that are about the season. */
const SEASON_ROWS: readonly string[] = ['seasonalIrregular', 'index']

const bench = useBench()
const time = useWindow()
const ledger = useLedger()
const selection = useSelection()
const beside = useBeside()

/** The series by the cycle, and from the season on, that the analyst chose. */
const series = computed(() => ({
  ...bench.series!,
  ...laidOut(bench.series!, {
    yearStart: beside.yearStart ?? undefined,
    cycle: beside.foldCycle ?? undefined,
  }),
}))
/** Its own cycle, and those that its very periods can be laid out by besides. */
const cycles = computed(() => {
  const { calendar } = bench.series!
  return [calendar.seasons, ...otherCycles(calendar)].map((seasons) => ({
    value: seasons,
    title: oneCycle({ ...calendar, seasons }),
  }))
})
const foldCycle = computed({
  get: () => series.value.calendar.seasons,
  set: (seasons: number) =>
    (beside.foldCycle = seasons === bench.series!.calendar.seasons ? null : seasons),
})
const isOwnCycle = computed(() => series.value.calendar.seasons === bench.series!.calendar.seasons)
const axis = computed<TimeAxis>(() => ({
  from: 0.5,
  to: tableColumns(series.value.calendar).length + 0.5,
  width: time.plotWidth,
}))

/** Rows that have figures in actual periods; the forecast is not folded. */
const choices = computed(() =>
  (ledger.own?.columns ?? []).filter(({ actual, offset }) => actual !== null && offset === 0),
)
const row = computed(
  () => choices.value.find(({ name }) => name === ledger.foldColumn) ?? choices.value[0]!,
)

function grid(column: string) {
  return gridOf((t) => ledger.valueAt(column, t))
}

function gridOf(valueAt: (t: number) => Value) {
  return foldGrid(series.value, valueAt, { first: ledger.firstT, last: ledger.lastActual })
}

const cycle = computed(() => oneCycle(series.value.calendar))
/** Weeks, days and hours begin where the calendar says. */
const canBegin = computed(() => !isFinerThanMonths(series.value.calendar))
const yearStart = computed({
  get: () => series.value.calendar.yearStart,
  set: (season: number) => (beside.yearStart = season),
})

/** The row smoothed along each season's own values, so that noisy seasons can be told apart. */
const smoothed = computed(() => {
  if (beside.seasonYears < 2) return null
  const values = periodsOfSpan.value.map((t) => ledger.valueAt(row.value.name, t))
  const { periodAt } = axisOf(series.value)
  const smooth = withinSeasonMean(
    values,
    (i) => tableColumn(periodAt(ledger.firstT + i), series.value.calendar),
    beside.seasonYears,
    beside.seasonAlignment,
  )
  return gridOf((t) => smooth[t - ledger.firstT] ?? null)
})
const periodsOfSpan = computed(() =>
  Array.from({ length: ledger.lastActual - ledger.firstT + 1 }, (_, i) => ledger.firstT + i),
)
const seasonNames = computed(() =>
  Array.from({ length: series.value.calendar.seasons }, (_, k) => ({
    season: k + 1,
    label: seasonLabel(k + 1, series.value.calendar),
  })),
)

const folded = computed(() => grid(row.value.name))
const strips = computed(() => [
  yearsStrip(grid('value'), capitalized(nounOf(bench.series!)), ledger.scale.unit, cycle.value),
  historiesStrip(folded.value, row.value, unitOf(row.value), cycle.value, over.value),
  ...(moves.value ? [moves.value] : []),
])
/** A season that may change moves by little beside its size: around its own mean it can be seen. */
const moves = computed(() =>
  bench.result && isOwnCycle.value && SEASON_ROWS.includes(row.value.name)
    ? movesStrip(bench.result, grid, ledger.scale.unit)
    : null,
)

/** What the analyst has smoothed along the seasons, else what the season was made into. */
const over = computed<OverHistory>(() => {
  const own =
    bench.result && isOwnCycle.value
      ? overSeason(bench.result, row.value.name, grid)
      : { line: null, isRinged: () => false }
  return smoothed.value
    ? { ...own, line: { label: 'smoothed along the season', grid: smoothed.value } }
    : own
})

function unitOf(shown: Column): string {
  if (shown.measure === 'factor') return 'factor'
  return shown.unit === bench.series!.unit ? ledger.scale.unit : shown.unit
}

const cursorSeason = computed(() =>
  selection.cursor === null ? null : axisOf(series.value).seasonOf(selection.cursor),
)
const cursorLeft = computed(() => {
  if (selection.cursor === null) return null
  const period = axisOf(series.value).periodAt(selection.cursor)
  return (
    xOf(axis.value, tableColumn(period, series.value.calendar) + 1) - columnWidth(axis.value) / 2
  )
})

/** The column under the pointer on a strip, from 1; the cursor goes to the last actual period of its season. */
const pointed = ref<number | null>(null)
function point(event: PointerEvent) {
  const strip = (event.target as HTMLElement).closest('.strip')
  const x = strip ? event.clientX - strip.getBoundingClientRect().left - time.gutter : -1
  const column = periodUnder(axis.value, x)
  const latest = x < 0 ? null : latestIn(column - 1)
  if (latest === null) return leave()
  pointed.value = column
  selection.cursor = latest
}
function latestIn(column: number): number | null {
  const cells = folded.value.years.map(({ cells }) => cells[column])
  return cells.findLast((cell) => typeof cell?.t === 'number')?.t ?? null
}
function leave() {
  pointed.value = null
  selection.cursor = selection.selected?.t ?? null
}

/** The season that stands in a column. */
function nameAt(x: number): string {
  return folded.value.seasons[Math.min(Math.max(x, 1), folded.value.seasons.length) - 1]!.label
}
</script>

<template>
  <div class="folded" @pointermove="point" @pointerleave="leave">
    <StripStack
      :strips="strips"
      :axis="axis"
      :height="height"
      :cursor-left="cursorLeft"
      :pointed="pointed"
      :name-at="nameAt"
    />
    <div class="choices">
      <span class="choice small">
        <span class="muted">row</span>
        <v-select
          v-model="ledger.foldColumn"
          aria-label="row"
          :items="
            choices.map(({ name, label, means }) => ({
              value: name,
              title: means ? `${label} (${means})` : label,
            }))
          "
        />
      </span>
      <span v-if="cycles.length > 1" class="choice small">
        <span class="muted">folded by</span>
        <v-select v-model="foldCycle" aria-label="folded by" :items="cycles" />
      </span>
      <span v-if="canBegin" class="choice small">
        <span class="muted">a year begins in</span>
        <v-select
          v-model="yearStart"
          aria-label="a year begins in"
          :items="seasonNames.map(({ season, label }) => ({ value: season, title: label }))"
        />
      </span>
      <span class="choice small">
        <span class="muted">smooth each season over</span>
        <NumberField
          v-model="beside.seasonYears"
          :label="`${capitalized(cycle)}s over which each season is smoothed`"
          :least="0"
          :most="100"
        />
        {{ cycle }}s
        <v-select
          v-if="beside.seasonYears > 1"
          v-model="beside.seasonAlignment"
          :aria-label="`Which ${cycle}s`"
          :items="[
            { value: 'centred', title: 'around each' },
            { value: 'trailing', title: 'up to each' },
          ]"
        />
      </span>
    </div>
    <SeasonGrid
      :grid="folded"
      :row="row"
      :cursor-season="cursorSeason"
      :cycle="cycle"
      :is-own-cycle="isOwnCycle"
    />
  </div>
</template>

<style scoped>
.folded {
  position: relative;
}

.choices {
  display: flex;
  position: relative;
  flex-wrap: wrap;
  gap: 6px 16px;
  padding: 4px 12px;
  background: var(--paper);
}

.choice {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 28px;
}
</style>
