<script setup lang="ts">
import { computed } from 'vue'
import { formatChange, formatDecimals, formatFigure, inReadersFigures } from '~/figures/format'
import { seasonLabel } from '~~/core/calendar/labels'
import { seasonOrder } from '~~/core/calendar/tableYear'
import { wayOf } from '~~/core/decompose/ways'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { useBench } from '../study/benchStore'
import { indexShare } from '../pins/comparison'

/** The indices of compared methods, a row a season, as shares of the level. */
const props = defineProps<{ results: readonly Result[] }>()
const bench = useBench()

const share = (value: Value) => (value === null ? '–' : formatChange(value * 100))

/** The seasons of which any method has an index. */
const seasons = computed(() =>
  props.results.some((result) => result.seasons.length > 0)
    ? seasonOrder(bench.series!.calendar)
    : [],
)
function readingOf(result: Result, season: number): string {
  const row = result.seasons[season - 1]
  return row
    ? `index ${formatFigure(row.index)}: ${inReadersFigures(row.reading)}`
    : 'no season taken out'
}
/** Columns that one season's indices differ by, largest less smallest. */
const apart = (season: number) => {
  const all = props.results
    .map((result) => indexShare(result, season))
    .filter((one) => one !== null)
  return all.length < 2 ? '' : `${formatDecimals((Math.max(...all) - Math.min(...all)) * 100, 1)}`
}
</script>

<template>
  <tbody v-if="seasons.length > 0">
    <tr>
      <th scope="rowgroup">
        <strong>Indices</strong>
        <span class="muted range">share of the level; points apart</span>
      </th>
      <td v-for="(result, i) in results" :key="i" class="muted small">
        {{ wayOf(result.method.decompose.by).indices(result.method.decompose)?.ofYear }}
      </td>
    </tr>
    <tr v-for="season in seasons" :key="season">
      <th scope="row">
        {{ seasonLabel(season, bench.series!.calendar) }}
        <span class="muted apart">{{ apart(season) }}</span>
      </th>
      <td v-for="(result, i) in results" :key="i" :data-tip="readingOf(result, season)">
        {{ share(indexShare(result, season)) }}
      </td>
    </tr>
  </tbody>
</template>

<style scoped>
.apart {
  float: right;
  font-variant-numeric: tabular-nums;
}
</style>
