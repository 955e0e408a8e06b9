<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatPeriodCode, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { countPeriods } from '~~/core/calendar/labels'
import { offWords } from '~~/core/check/words'
import { outcomeWords } from '~~/core/contest/words'
import type { ContestRow } from '~~/core/contest/contest'
import type { Value } from '~~/core/series/series'
import { usePins } from '../compare/pinStore'
import { useBench } from '../study/benchStore'
import { useContest } from './contestStore'
import OriginDots from './OriginDots.vue'

/** Methods ranked by how their forecasts from the same origins would have done. */
/** A method with this many times the error of the nearest may lie off its picture. */
const FAR_BEHIND = 4
const bench = useBench()
const contest = useContest()
const pins = usePins()

const rows = computed(() => contest.contest?.rows ?? [])
const ranked = computed(() => rows.value.filter(({ refused }) => refused === null))
const refused = computed(() => rows.value.filter((row) => row.refused !== null))
const levels = computed(() => Object.keys(ranked.value[0]?.coverage ?? {}))
/** Right end of the dots: methods far behind would press all others into one. */
const largest = computed(() => {
  const far = FAR_BEHIND * (ranked.value[0]?.mean ?? 0)
  const near = ranked.value.filter(({ mean }) => (mean ?? 0) <= far)
  return Math.max(0, ...near.flatMap(({ byOrigin }) => byOrigin))
})
const proposed = computed(() => ranked.value.find(({ name }) => name === contest.contest?.proposed))
const plainer = computed(() => ranked.value.find(({ name }) => name === contest.contest?.plainer))
const isDone = computed(() => contest.state === 'done')

const over = computed(() => {
  if (!contest.contest) return ''
  const { first, last, count, horizon } = contest.contest.origins
  const { calendar } = bench.series!
  const label = (code: string) => formatPeriodCode(code, calendar.frequency, calendar.seasons)
  if (count === 0) return 'There is no origin that all of them forecast from.'
  return `Over ${count} ${count === 1 ? 'origin' : 'origins'} from ${label(first)} to ${label(last)}, up to ${countPeriods(horizon, calendar)} ahead.`
})
/** What came out, in words; nothing is proposed before everyone is through. */
const outcome = computed(() => {
  if (!isDone.value || !proposed.value) return ''
  return outcomeWords(contest.contest!)
})

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
    ...(isDone.value && row === proposed.value ? ['nearest'] : []),
    ...(row.tiesWithBest ? ['not told apart from the nearest'] : []),
    ...(isDone.value && row === plainer.value ? ['plainer'] : []),
  ]
}
</script>

<template>
  <section class="contest" aria-label="Contest of methods">
    <header class="view-head">
      <h2 class="serif">Contest of methods</h2>
      <span class="actions">
        <v-menu :close-on-content-click="false">
          <template #activator="{ props: activator }">
            <v-btn v-bind="activator">Who takes part: {{ contest.entrants.length }}</v-btn>
          </template>
          <div class="sheet entrants">
            <v-checkbox-btn
              v-for="one in contest.candidates"
              :key="one.name"
              :model-value="contest.takesPart(one)"
              :label="one.name"
              @update:model-value="contest.toggleEntrant(one)"
            />
            <v-btn v-if="pins.pins.length > 0" class="small" @click="contest.addPinned()">
              put the pinned methods in
            </v-btn>
          </div>
        </v-menu>
        <v-btn v-if="contest.state === 'running'" @click="contest.stop()">Stop</v-btn>
        <v-btn
          v-else
          :color="contest.isStale || contest.state === 'stopped' ? 'accent' : undefined"
          :disabled="contest.entrants.length === 0"
          @click="contest.hold()"
        >
          Hold it again
        </v-btn>
        <v-btn variant="flat" @click="contest.show()">Back to the Bench</v-btn>
      </span>
    </header>
    <p class="muted">
      Every method forecasts from the same past origins, knowing only what was known then; what came
      decides. Nothing is changed unless you take one.
    </p>
    <div v-if="contest.state === 'running'" class="running" role="status">
      <span> {{ rows.length }} of {{ contest.entrants.length }} methods through </span>
      <v-progress-linear
        :model-value="
          contest.progress ? (100 * contest.progress.done) / contest.progress.of : undefined
        "
        :indeterminate="!contest.progress"
        aria-label="Contest under way"
      />
    </div>
    <p v-if="contest.state === 'stopped'" role="status">
      Stopped: {{ rows.length }} of {{ contest.entrants.length }} methods were through.
    </p>
    <p
      v-if="contest.state === 'refused' || contest.state === 'failed'"
      class="refusal"
      role="alert"
    >
      {{ contest.because }}
    </p>
    <p v-if="outcome" class="outcome" role="status">{{ inReadersFigures(outcome) }}</p>
    <p v-if="contest.isStale && contest.state === 'done'" class="muted small">
      Others take part now than in what is shown; hold it again.
    </p>
    <div v-if="rows.length > 0" class="scroll">
      <p class="muted small">{{ over }}</p>
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
        <tbody>
          <tr
            v-for="(row, i) in ranked"
            :key="row.name"
            :class="{ best: isDone && row === proposed }"
          >
            <td class="number">{{ i + 1 }}</td>
            <th scope="row">
              {{ row.name }}
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
                :color="isDone && row === proposed ? 'accent' : undefined"
                class="small"
                :aria-label="`Take this method: ${row.name}`"
                @click="contest.take(row)"
              >
                take
              </v-btn>
            </td>
          </tr>
          <tr v-for="row in refused" :key="row.name" class="refused">
            <td class="number">–</td>
            <th scope="row">{{ row.name }}</th>
            <td :colspan="7 + levels.length">{{ row.refused }}</td>
          </tr>
        </tbody>
      </v-table>
    </div>
  </section>
</template>

<style scoped>
.contest {
  padding: 12px 20px 24px;
}

.entrants {
  max-width: 560px;
  max-height: 60vh;
  overflow-y: auto;
  padding: 8px 12px;
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
}

p {
  margin: 6px 0 0;
}

.running {
  display: grid;
  gap: 4px;
  margin-top: 8px;
}

.refusal {
  padding: 6px 10px;
  border-left: 3px solid var(--danger);
  background: var(--band);
}

.outcome {
  font-weight: 600;
}

/* What is hidden for the eye alone is placed within it, else it would widen the page. */
.scroll {
  position: relative;
  overflow-x: auto;
  margin-top: 6px;
}

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
