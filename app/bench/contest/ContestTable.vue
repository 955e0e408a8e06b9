<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { offWords } from '~~/core/check/words'
import type { ContestRow } from '~~/core/contest/contest'
import type { Value } from '~~/core/series/series'
import { useBench } from '../study/benchStore'
import { useContest } from './contestStore'
import ContestOrigin from './ContestOrigin.vue'
import { useOpenedRow } from './openedStore'
import OriginDots from './OriginDots.vue'

/** A method with this many times the error of the nearest may lie off its picture. */
const FAR_BEHIND = 4

/** How every method did, the nearest first, and what was refused. */
const bench = useBench()
const contest = useContest()
const opened = useOpenedRow()

const ranked = computed(() => contest.rows.filter(({ refused }) => refused === null))
const refused = computed(() => contest.rows.filter((row) => row.refused !== null))
const levels = computed(() => Object.keys(ranked.value[0]?.coverage ?? {}))
/** Right end of the dots: methods far behind would press all others into one. */
const largest = computed(() => {
  const far = FAR_BEHIND * (ranked.value[0]?.mean ?? 0)
  const near = ranked.value.filter(({ mean }) => (mean ?? 0) <= far)
  return Math.max(0, ...near.flatMap(({ byOrigin }) => byOrigin))
})
const nearest = computed(() => ranked.value.find(({ name }) => name === contest.contest?.nearest))
const proposed = computed(() => ranked.value.find(({ name }) => name === contest.contest?.proposed))
const plainer = computed(() => ranked.value.find(({ name }) => name === contest.contest?.plainer))

function figure(value: Value): string {
  return value === null ? '–' : formatDecimals(value, 2)
}
function percent(share: Value | undefined): string {
  return share === null || share === undefined ? '–' : `${Math.round(100 * share)}%`
}
function off(row: ContestRow): string {
  return row.off ? inReadersFigures(offWords(row.off, bench.series!.unit)) : '–'
}
/** What is to be said of a row behind its name. */
function tags(row: ContestRow): string[] {
  return [
    ...(contest.isPresent(row) ? ['on the Bench'] : []),
    ...(contest.isDone && row === nearest.value ? ['nearest'] : []),
    ...(contest.isDone && row === proposed.value ? ['proposed'] : []),
    ...(row.tiesWithBest ? ['not told apart from the nearest'] : []),
    ...(contest.isDone && row === plainer.value ? ['plainer'] : []),
  ]
}
</script>

<template>
  <v-table>
    <thead>
      <tr>
        <th scope="col" class="number">#</th>
        <th scope="col">method</th>
        <th scope="col" class="number">off by</th>
        <th scope="col" class="number"><TermWord of="scaledError">scaled error</TermWord></th>
        <th scope="col" class="dots">origin by origin, 0 to {{ figure(largest) }}</th>
        <th scope="col" class="number">median</th>
        <th scope="col" class="number">worst</th>
        <th v-for="level in levels" :key="level" scope="col" class="number">
          <TermWord of="coverage">{{ level }}% held</TermWord>
        </th>
        <th scope="col" class="number" data-tip="Numbers estimated from the values">numbers</th>
        <th scope="col"><span class="visually-hidden">take</span></th>
      </tr>
    </thead>
    <tbody v-for="(row, i) in ranked" :key="row.name">
      <tr :class="{ best: contest.isDone && row === proposed }">
        <td class="number">{{ i + 1 }}</td>
        <th scope="row">
          <v-btn
            variant="plain"
            class="name"
            :aria-expanded="opened.row?.name === row.name"
            data-tip="Its forecasts, origin by origin"
            @click="opened.toggle(row)"
          >
            {{ row.name }}
          </v-btn>
          <span v-for="tag in tags(row)" :key="tag" class="tag">{{ tag }}</span>
        </th>
        <td class="number">{{ off(row) }}</td>
        <td class="number">{{ figure(row.mean) }}</td>
        <td class="dots">
          <OriginDots :figures="row.byOrigin" :mean="row.mean" :largest="largest" />
        </td>
        <td class="number">{{ figure(row.median) }}</td>
        <td class="number">{{ figure(row.worst) }}</td>
        <td v-for="level in levels" :key="level" class="number">
          {{ percent(row.coverage[level]) }}
        </td>
        <td class="number">
          {{ row.estimated === null ? '–' : formatDecimals(row.estimated, 0) }}
        </td>
        <td>
          <v-btn
            v-if="!contest.isPresent(row)"
            :color="contest.isDone && row === proposed ? 'accent' : undefined"
            class="small"
            :aria-label="`Take this method: ${row.name}`"
            @click="contest.take(row)"
          >
            take
          </v-btn>
        </td>
      </tr>
      <tr v-if="opened.row?.name === row.name" class="opened">
        <td />
        <td :colspan="8 + levels.length"><ContestOrigin /></td>
      </tr>
    </tbody>
    <tbody v-if="refused.length > 0">
      <tr v-for="row in refused" :key="row.name" class="refused">
        <td class="number">–</td>
        <th scope="row">{{ row.name }}</th>
        <td :colspan="7 + levels.length">{{ row.refused }}</td>
      </tr>
    </tbody>
  </v-table>
</template>

<style scoped>
.v-table {
  --cell: 5px 12px 5px 0;

  min-width: 860px;
}

th {
  font-weight: 400;
  text-align: left;
  vertical-align: baseline;
}

thead th :deep(.v-btn) {
  text-align: right;
  white-space: nowrap;
}

thead th {
  color: var(--muted);
  font-size: 11.5px;
}

th.number {
  text-align: right;
}

tbody tr {
  border-top: 1px solid var(--rule);
}

.name {
  padding: 0;
  border: 0;
  color: inherit;
  font: inherit;
  text-align: left;
  white-space: normal;
}

.dots {
  width: 190px;
}

.tag {
  display: inline-block;
  margin-left: 6px;
  color: var(--muted);
  font-size: 11px;
  font-style: italic;
}

.best th,
.best td {
  font-weight: 600;
}

.refused {
  color: var(--muted);
}
</style>
