<script setup lang="ts">
import { computed } from 'vue'
import { periodAt } from '~~/core/calendar/period'
import { seasonColumn } from '~~/core/calendar/tableYear'
import { seasonLabel } from '~~/core/calendar/labels'
import type { Column } from '~~/core/column/column'
import type { Value } from '~~/core/series/series'
import { withinSeasonMean } from '~~/core/smoothing/rolling'
import { useInspection } from '../inspect/inspectionStore'
import NumberField from '../figures/NumberField.vue'
import { columnWidth, xOf, type TimeAxis } from '../axis/timeAxis'
import { useBench } from '../benchStore'
import StripView from '../strips/StripView.vue'
import { useView } from '../viewStore'
import { foldGrid } from './foldGrid'
import { historiesStrip, yearsStrip } from './foldedStrips'
import SeasonGrid from './SeasonGrid.vue'

const props = defineProps<{ heightFor: (share: number, shares: number) => number }>()
const bench = useBench()
const view = useView()
const inspection = useInspection()

/** The series with the year laid out from the season that the analyst chose. */
const series = computed(() => {
  const own = bench.series!
  const yearStart = inspection.yearStart ?? own.calendar.yearStart
  return { ...own, calendar: { ...own.calendar, yearStart } }
})
const axis = computed<TimeAxis>(() => ({
  from: 0.5,
  to: series.value.calendar.seasons + 0.5,
  width: view.plotWidth,
}))

/** Rows that have figures in actual periods; the forecast is not folded. */
const choices = computed(() =>
  (view.ledger?.columns ?? []).filter(({ actual, offset }) => actual !== null && offset === 0),
)
const row = computed(
  () => choices.value.find(({ name }) => name === view.foldColumn) ?? choices.value[0]!,
)

function grid(column: string) {
  return gridOf((t) => view.valueAt(column, t))
}

function gridOf(valueAt: (t: number) => Value) {
  return foldGrid(series.value, valueAt, { first: view.firstT, last: view.lastActual })
}

const yearStart = computed({
  get: () => series.value.calendar.yearStart,
  set: (season: number) => (inspection.yearStart = season),
})

/** The row smoothed along each season's own values, so that noisy seasons can be told apart. */
const smoothed = computed(() => {
  if (inspection.seasonYears < 2) return null
  const values = periodsOfSpan.value.map((t) => view.valueAt(row.value.name, t))
  const smooth = withinSeasonMean(
    values,
    series.value.calendar.seasons,
    inspection.seasonYears,
    inspection.seasonAlignment,
  )
  return gridOf((t) => smooth[t - view.firstT] ?? null)
})
const periodsOfSpan = computed(() =>
  Array.from({ length: view.lastActual - view.firstT + 1 }, (_, i) => view.firstT + i),
)
const seasonNames = computed(() =>
  Array.from({ length: series.value.calendar.seasons }, (_, k) => ({
    season: k + 1,
    label: seasonLabel(k + 1, series.value.calendar),
  })),
)

const folded = computed(() => grid(row.value.name))
const strips = computed(() => [
  yearsStrip(grid('value'), 'Sales', view.scale.unit),
  historiesStrip(folded.value, row.value, unitOf(row.value), smoothed.value),
])

function unitOf(shown: Column): string {
  if (shown.measure === 'factor') return 'factor'
  return shown.unit === bench.series!.unit ? view.scale.unit : shown.unit
}

const cursorSeason = computed(() =>
  view.cursor === null
    ? null
    : periodAt(series.value.start, view.cursor, series.value.calendar.seasons).season,
)
const cursorLeft = computed(() =>
  cursorSeason.value === null
    ? null
    : view.gutter +
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
      :gutter="view.gutter"
      :height="props.heightFor(strip.share, shares)"
    />
    <div class="choices">
      <span class="choice small">
        <span class="muted">row</span>
        <v-select
          v-model="view.foldColumn"
          aria-label="row"
          :items="
            choices.map(({ name, label, means }) => ({ value: name, title: `${label} (${means})` }))
          "
        />
      </span>
      <span class="choice small">
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
          v-model="inspection.seasonYears"
          label="Years over which each season is smoothed"
          :least="0"
          :most="100"
        />
        years
        <v-select
          v-if="inspection.seasonYears > 1"
          v-model="inspection.seasonAlignment"
          aria-label="Which years"
          :items="[
            { value: 'centred', title: 'around each' },
            { value: 'trailing', title: 'up to each' },
          ]"
        />
      </span>
    </div>
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

.choices {
  display: flex;
  position: relative;
  flex-wrap: wrap;
  gap: 0 16px;
  padding: 4px 12px;
  background: var(--paper);
}

.choice {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 28px;
}

.choice input {
  width: 52px;
  padding: 2px 5px;
  font-size: 11px;
}

.choice select {
  padding: 2px 6px;
  font-size: 11px;
}
</style>
