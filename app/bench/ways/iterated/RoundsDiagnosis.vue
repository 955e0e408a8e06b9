<script setup lang="ts">
import { computed } from 'vue'
import { formatFigure, formatP, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { IteratedTaken } from '~~/core/decompose/iterated/calculate'
import { diagnose } from '~~/core/decompose/iterated/diagnosis'
import {
  combinedWorking,
  dominanceWords,
  seasonLeftWords,
  verdictWords,
} from '~~/core/decompose/iterated/diagnosisWords'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import CalendarLeft from './CalendarLeft.vue'
import ExtremesByYear from './ExtremesByYear.vue'
import FilterRatios from './FilterRatios.vue'
import ShareBars from './ShareBars.vue'

/** How good an adjustment by iterated averages is, and why it took the filters that it took. */
const props = defineProps<{ result: Result }>()
const taken = computed(() => props.result.decomposition as IteratedTaken)
const calendar = computed(() => calendarOfResult(props.result))
const model = computed(() => props.result.method.decompose.model)
const diagnosis = computed(() => diagnose(taken.value, model.value))
const tests = computed(() => diagnosis.value.tests)
const movingYears = computed(() => {
  const { years } = tests.value.moving
  return years.length > 0 ? `, ${years[0]}–${years.at(-1)}` : ''
})
const figure = (value: Value) => (value === null ? '–' : formatFigure(value))
const p = (value: Value) => (value === null ? '–' : `p ${formatP(value)}`)
</script>

<template>
  <v-expansion-panels class="working-part" multiple :model-value="[0]">
    <v-expansion-panel title="Is the season sure, and gone?">
      <v-expansion-panel-text>
        <p>{{ verdictWords(tests.combined) }}</p>
        <dl class="figures">
          <dt><TermWord of="stableSeason">stable season</TermWord></dt>
          <dd>{{ figure(tests.stable.f) }}, {{ p(tests.stable.p) }}</dd>
          <dt><TermWord of="movingSeason">moving season</TermWord>{{ movingYears }}</dt>
          <dd>{{ figure(tests.moving.f) }}, {{ p(tests.moving.p) }}</dd>
          <dt><TermWord of="kruskalWallis">Kruskal–Wallis</TermWord></dt>
          <dd>{{ figure(tests.kruskalWallis.h) }}, {{ p(tests.kruskalWallis.p) }}</dd>
          <dt><TermWord of="combinedSeason">together, T</TermWord>, good below 1</dt>
          <dd>{{ figure(tests.combined?.t ?? null) }}</dd>
        </dl>
        <p v-if="combinedWorking(diagnosis)" class="muted small">
          T = {{ inReadersFigures(combinedWorking(diagnosis)!) }}
        </p>
        <p class="left">{{ inReadersFigures(seasonLeftWords(diagnosis.seasonLeft)) }}</p>
        <CalendarLeft />
      </v-expansion-panel-text>
    </v-expansion-panel>
    <v-expansion-panel title="What moves the series, by span">
      <v-expansion-panel-text>
        <ShareBars :shares="diagnosis.shares" :calendar="calendar" />
        <p class="small">
          <TermWord of="dominance">Where the trend leads</TermWord>:
          {{ inReadersFigures(dominanceWords(diagnosis, calendar, model)) }}
        </p>
      </v-expansion-panel-text>
    </v-expansion-panel>
    <v-expansion-panel title="How the filters were chosen">
      <v-expansion-panel-text>
        <FilterRatios :taken="taken" :calendar="calendar" :model="model" />
      </v-expansion-panel-text>
    </v-expansion-panel>
    <v-expansion-panel title="Extremes by year">
      <v-expansion-panel-text>
        <ExtremesByYear :years="diagnosis.extremes" :model="model" />
      </v-expansion-panel-text>
    </v-expansion-panel>
  </v-expansion-panels>
</template>

<style scoped>
p {
  margin: 0 0 4px;
}

.left {
  margin-top: 8px;
}
</style>
