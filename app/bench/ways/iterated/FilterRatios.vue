<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { seasonLabel } from '~~/core/calendar/labels'
import type { Calendar } from '~~/core/calendar/calendar'
import type { IteratedTaken } from '~~/core/decompose/iterated/calculate'
import { TREND_STEPS } from '~~/core/decompose/iterated/trendStep'
import { filterName } from '~~/core/decompose/iterated/words'
import type { Model } from '~~/core/model'
import type { Value } from '~~/core/series/series'
import { changeText } from './changeText'

/** The ratios that trend and season filters follow from, step by step and season by season. */
const props = defineProps<{ taken: IteratedTaken; calendar: Calendar; model: Model }>()
const STEP = { round1: 'round 1', round2: 'round 2', round3: 'round 3', final: 'the last' } as const
const change = (value: number) => changeText(value, props.model)
const ratio = (value: Value) => (value === null ? '–' : formatDecimals(value, 2))
const choice = computed(() => props.taken.filterChoice)
const tries = computed(() =>
  choice.value.tries.map(({ lastPeriod, ratio: of }, i) => ({
    words: `${i === 0 ? 'complete years' : `without the last ${i === 1 ? 'year' : `${i} years`}`}`,
    of,
    lastPeriod,
  })),
)
</script>

<template>
  <v-table class="working-table">
    <caption>
      Trend: mean change from one period to the next
    </caption>
    <thead>
      <tr class="head">
        <th scope="col">step</th>
        <th scope="col" class="number">irregular</th>
        <th scope="col" class="number">trend</th>
        <th scope="col" class="number"><TermWord of="irregularToTrend">ratio</TermWord></th>
        <th scope="col" class="number">terms</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="step in TREND_STEPS" :key="step">
        <th scope="row">{{ STEP[step] }}</th>
        <td class="number">{{ change(taken.ic[step].meanChangeIrregular) }}</td>
        <td class="number">{{ change(taken.ic[step].meanChangeTrend) }}</td>
        <td class="number">{{ ratio(taken.ic[step].ratio) }}</td>
        <td class="number">{{ taken.ic[step].length }}</td>
      </tr>
    </tbody>
  </v-table>
  <p class="muted small">
    {{
      calendar.seasons === 12
        ? '9 terms below 1, 13 below 3.5, 23 from there on (13 in the first round).'
        : '5 terms below 1, 7 from there on.'
    }}
  </p>
  <v-table class="working-table">
    <caption>
      Season: mean change from one year to the next
    </caption>
    <thead>
      <tr class="head">
        <th scope="col">season</th>
        <th scope="col" class="number">irregular</th>
        <th scope="col" class="number">season</th>
        <th scope="col" class="number"><TermWord of="movingRatio">ratio</TermWord></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in choice.bySeason" :key="row.season">
        <th scope="row">{{ seasonLabel(row.season, calendar) }}</th>
        <td class="number">{{ change(row.irregular) }}</td>
        <td class="number">{{ change(row.seasonal) }}</td>
        <td class="number">{{ ratio(row.ratio) }}</td>
      </tr>
      <tr v-for="one in tries" :key="one.lastPeriod" class="all">
        <th scope="row" colspan="3">all, {{ one.words }}</th>
        <td class="number">{{ ratio(one.of) }}</td>
      </tr>
    </tbody>
  </v-table>
  <p class="muted small">
    3×3 below 2.5, 3×5 from 3.5 to 5.5, 3×9 from 6.5 on; between them the last year is left out and
    it is measured again. It comes to {{ filterName(choice.choice) }}; used:
    {{ filterName(taken.used['round3.2']) }}.
  </p>
</template>

<style scoped>
p {
  margin: 2px 0 8px;
}

.all th,
.all td {
  border-top: 1px solid var(--rule) !important;
}
</style>
