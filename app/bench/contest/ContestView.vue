<script setup lang="ts">
import { computed } from 'vue'
import { formatPeriodCode, inReadersFigures } from '~/figures/format'
import { countPeriods } from '~~/core/calendar/labels'
import { outcomeWords } from '~~/core/contest/words'
import { usePins } from '../pins/pinStore'
import { useBench } from '../study/benchStore'
import { useContest } from './contestStore'
import ContestTable from './ContestTable.vue'

/** Methods ranked by how their forecasts from the same origins would have done. */
const bench = useBench()
const contest = useContest()
const pins = usePins()

const over = computed(() => {
  if (!contest.contest) return ''
  const { first, last, count, horizon } = contest.contest.origins
  const { calendar } = bench.series!
  const label = (code: string) => formatPeriodCode(code, calendar)
  if (count === 0) return 'There is no origin that all of them forecast from.'
  return `Over ${count} ${count === 1 ? 'origin' : 'origins'} from ${label(first)} to ${label(last)}, up to ${countPeriods(horizon, calendar)} ahead.`
})
/** What came out, in words; nothing is proposed before everyone is through. */
const outcome = computed(() => {
  const { contest: held } = contest
  return contest.isDone && held?.nearest ? outcomeWords(held) : ''
})
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
      <span> {{ contest.rows.length }} of {{ contest.entrants.length }} methods through </span>
      <v-progress-linear
        :model-value="
          contest.progress ? (100 * contest.progress.done) / contest.progress.of : undefined
        "
        :indeterminate="!contest.progress"
        aria-label="Contest under way"
      />
    </div>
    <p v-if="contest.state === 'stopped'" role="status">
      Stopped: {{ contest.rows.length }} of {{ contest.entrants.length }} methods were through.
    </p>
    <p
      v-if="contest.state === 'refused' || contest.state === 'failed'"
      class="refusal"
      role="alert"
    >
      {{ contest.because }}
    </p>
    <p v-if="outcome" class="outcome" role="status">{{ inReadersFigures(outcome) }}</p>
    <p v-if="contest.isStale && contest.isDone" class="muted small">
      Others take part now than in what is shown; hold it again.
    </p>
    <div v-if="contest.rows.length > 0" class="scroll">
      <p class="muted small">{{ over }}</p>
      <ContestTable />
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
</style>
