<script setup lang="ts">
import { computed } from 'vue'
import { formatCount, formatDecimals, formatPeriodCode, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { countPeriods } from '~~/core/calendar/labels'
import type { Off } from '~~/core/check/verdict'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { withUnit } from '~~/core/words/displayScale'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { comparedAmount } from './figures'
import { usePastForecasts, type PastForecasts } from './pastForecastStore'

/** How forecasts by the compared methods would have done, from the same earlier origins. */
const props = defineProps<{ results: readonly Result[] }>()
const bench = useBench()
const ledger = useLedger()
const past = usePastForecasts()

const all = computed(() => past.of(props.results.length))
const levels = computed(() => [
  ...new Set(all.value.flatMap(({ row }) => Object.keys(row?.coverage ?? {}))),
])
/** The nearest, and what chance does not tell from it, once all are through. */
const best = computed(() => {
  const nearest = past.state === 'done' ? past.contest?.nearest : null
  return new Set(all.value.flatMap(({ row }, i) => (row && row.name === nearest ? [i] : [])))
})

const figure = (value: Value | undefined) =>
  value === null || value === undefined ? '–' : formatDecimals(value, 2)
const percent = (share: Value | undefined) =>
  share === null || share === undefined ? '–' : `${formatDecimals(100 * share, 0)}%`
/** To one decimal, so that a row of them lines up; in units where the values are not above 0 on average. */
function off(by: Off | null | undefined): string {
  if (!by) return by === null ? 'refused' : '–'
  return by.in === 'percent'
    ? `${formatDecimals(by.by, 1)}%`
    : withUnit(comparedAmount(by.by, ledger.scale), ledger.scale)
}
const hiddenPeriods = computed(() =>
  past.periodsHidden > 0 ? countPeriods(past.periodsHidden, bench.series!.calendar) : 'periods',
)
const why = ({ row }: PastForecasts) => row?.refused ?? undefined

const origins = computed(() => {
  const { contest } = past
  if (!contest || contest.origins.count === 0) return ''
  const { first, last, count, horizon } = contest.origins
  const { calendar } = bench.series!
  const label = (code: string) => formatPeriodCode(code, calendar)
  const ahead = countPeriods(horizon, calendar)
  return `${formatCount(count)} origins that all share, ${label(first)} to ${label(last)}, up to ${ahead} ahead`
})
const way = computed(() => {
  switch (past.state) {
    case 'running':
      return past.progress
        ? `forecasting: ${formatCount(past.progress.done)} of ${formatCount(past.progress.of)}`
        : 'forecasting…'
    case 'stopped':
      return 'stopped'
    case 'refused':
    case 'failed':
      return past.because
    default:
      return origins.value
  }
})
</script>

<template>
  <tbody>
    <tr>
      <th scope="rowgroup">
        <strong>How such forecasts would have done</strong>
        <span class="muted range" role="status">{{ way }}</span>
        <v-btn v-if="past.state === 'running'" class="small" @click="past.stop()">stop</v-btn>
      </th>
      <td v-for="(one, i) in all" :key="i" class="muted small">
        {{ why(one) ? inReadersFigures(why(one)!) : '' }}
        <template v-if="best.has(i)">nearest</template>
        <template v-else-if="past.state === 'done' && one.row?.tiesWithBest">
          not told apart from the nearest by chance
        </template>
      </td>
    </tr>
    <tr>
      <th scope="row">off by, on average</th>
      <td v-for="(one, i) in all" :key="i" :class="{ best: best.has(i) }">
        {{ off(one.row?.off ?? undefined) }}
      </td>
    </tr>
    <tr>
      <th scope="row"><TermWord of="scaledError">scaled error</TermWord></th>
      <td v-for="(one, i) in all" :key="i" :class="{ best: best.has(i) }">
        {{ figure(one.row?.mean) }}
      </td>
    </tr>
    <tr v-for="level in levels" :key="level">
      <th scope="row">
        <TermWord of="coverage">{{ level }}% limits held</TermWord>
      </th>
      <td v-for="(one, i) in all" :key="i">{{ percent(one.row?.coverage[level]) }}</td>
    </tr>
    <tr>
      <th scope="row">
        <TermWord of="holdout">the last {{ hiddenPeriods }} hidden, off by</TermWord>
      </th>
      <td v-for="(one, i) in all" :key="i">{{ off(one.hidden) }}</td>
    </tr>
  </tbody>
</template>

<style scoped>
.best {
  font-weight: 700;
}

.range {
  display: block;
  font-size: 11px;
}
</style>
