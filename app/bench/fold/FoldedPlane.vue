<script setup lang="ts">
import { computed } from 'vue'
import { periodAt } from '~~/core/calendar/period'
import { seasonColumn } from '~~/core/calendar/tableYear'
import { cellValue, type CellColumn } from '~~/core/ledger/cell'
import { GUTTER } from '../axis/gutter'
import { columnWidth, xOf, type TimeAxis } from '../axis/timeAxis'
import { useBench } from '../benchStore'
import { isFactor } from '../ledger/cellText'
import StripView from '../strips/StripView.vue'
import { useView } from '../viewStore'
import { foldGrid } from './foldGrid'
import { historiesStrip, yearsStrip } from './foldedStrips'
import SeasonGrid from './SeasonGrid.vue'

const props = defineProps<{ heightFor: (share: number, shares: number) => number }>()
const bench = useBench()
const view = useView()

const series = computed(() => bench.series!)
const axis = computed<TimeAxis>(() => ({
  from: 0.5,
  to: series.value.calendar.seasons + 0.5,
  width: view.plotWidth,
}))

/** Rows that have figures in actual periods; the forecast is not folded. */
const choices = computed(() =>
  view.everyRow.filter(
    ({ column }) =>
      !column.startsWith('forecast') && !column.includes(':') && column !== 'movingAverage',
  ),
)
const row = computed(
  () => choices.value.find(({ column }) => column === view.foldColumn) ?? choices.value[0]!,
)

function grid(column: CellColumn) {
  const valueAt = (t: number) =>
    bench.result ? cellValue(bench.result, { column, t }) : (series.value.values[t - 1] ?? null)
  return foldGrid(series.value, valueAt, { first: view.firstT, last: view.lastActual })
}

const folded = computed(() => grid(row.value.column))
const strips = computed(() => [
  yearsStrip(grid('value'), 'Sales', view.scale.unit),
  historiesStrip(folded.value, row.value, isFactor(row.value) ? 'factor' : view.scale.unit),
])

const cursorSeason = computed(() =>
  view.cursor === null
    ? null
    : periodAt(series.value.start, view.cursor, series.value.calendar.seasons).season,
)
const cursorLeft = computed(() =>
  cursorSeason.value === null
    ? null
    : GUTTER +
      xOf(axis.value, seasonColumn(cursorSeason.value, series.value.calendar) + 1) -
      columnWidth(axis.value) / 2,
)
const shares = computed(() => strips.value.reduce((sum, strip) => sum + strip.share, 0))
</script>

<template>
  <div class="folded">
    <div
      v-if="cursorLeft !== null"
      class="wash"
      :style="{ left: `${cursorLeft}px`, width: `${columnWidth(axis)}px` }"
    />
    <StripView
      v-for="strip in strips"
      :key="strip.id"
      :strip="strip"
      :axis="axis"
      :scale="view.scale"
      :gutter="GUTTER"
      :height="props.heightFor(strip.share, shares)"
    />
    <label class="choice small">
      <span class="muted">years down, seasons across:</span>
      <select v-model="view.foldColumn" class="text-input">
        <option v-for="choice in choices" :key="choice.column" :value="choice.column">
          {{ choice.label }} ({{ choice.means }})
        </option>
      </select>
    </label>
    <SeasonGrid :grid="folded" :row="row" :cursor-season="cursorSeason" />
  </div>
</template>

<style scoped>
.folded {
  position: relative;
}

.wash {
  position: absolute;
  z-index: 0;
  top: 0;
  bottom: 34px;
  background: var(--cursor-wash);
  pointer-events: none;
}

.choice {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 6px 12px;
}

.choice select {
  padding: 2px 6px;
  font-size: 11px;
}
</style>
