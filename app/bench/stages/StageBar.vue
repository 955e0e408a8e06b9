<script setup lang="ts">
import { computed } from 'vue'
import { defaultWay, wayOf } from '~~/core/decompose/ways'
import type { PeakSpacing } from '~~/core/seasonality/peakSpacing'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { PARTS } from './panels'
import { stageOf } from '../stage/stages'

/** What a stage lets one look at beside the method, in a line of words under the overview. */
defineProps<{ peaks: PeakSpacing | null }>()
const bench = useBench()
const ledger = useLedger()

/** At the stages of the season: why there is nothing of it to see. */
const whyNoSeason = computed(() => {
  const { result, series } = bench
  if (!result || (ledger.stage !== 'season' && ledger.stage !== 'deseasonalize')) return null
  return wayOf(result.method.decompose.by).whyNoSeason(series!.calendar)
})
const canHaveSeason = computed(() => bench.series!.calendar.seasons > 1)
/** What of the stage is there: a bar about the result needs one. */
const bar = computed(() =>
  stageOf(ledger.stage).needs === 'result' && !bench.result ? null : PARTS[ledger.stage].bar,
)

function takeSeasonOut() {
  void bench.changePart({ decompose: { by: defaultWay(bench.series!.calendar) } })
}
</script>

<template>
  <div v-if="!ledger.folded" class="bar">
    <p v-if="whyNoSeason" class="line" role="status">
      {{ whyNoSeason }}
      <v-btn v-if="canHaveSeason" color="accent" @click="takeSeasonOut()">
        Take the season out
      </v-btn>
    </p>
    <component :is="bar" v-if="bar" :peaks="peaks" />
  </div>
</template>

<style scoped>
.bar {
  padding: 0 12px;
  font-size: 12px;
}

.bar :deep(.line) {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 10px;
  min-height: 30px;
  margin: 0;
}

.bar :deep(.pair) {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  white-space: nowrap;
}

.bar :deep(.problem) {
  margin: 0 0 4px;
  color: var(--danger);
}
</style>
