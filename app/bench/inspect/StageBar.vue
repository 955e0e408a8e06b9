<script setup lang="ts">
import { computed } from 'vue'
import { defaultWay, wayOf } from '~~/core/decompose/ways'
import type { PeakSpacing } from '~~/core/seasonality/peakSpacing'
import { useBench } from '../benchStore'
import { useView } from '../viewStore'
import GrowthBar from './GrowthBar.vue'
import LookBar from './LookBar.vue'
import SmoothBar from './SmoothBar.vue'

/** What a stage lets one look at beside the method, in a line of words under the overview. */
defineProps<{ peaks: PeakSpacing | null }>()
const bench = useBench()
const view = useView()

/** At the stages of the season: why there is nothing of it to see. */
const whyNoSeason = computed(() => {
  const { result, series } = bench
  if (!result || (view.stage !== 'season' && view.stage !== 'deseasonalize')) return null
  return wayOf(result.method.decompose.by).whyNoSeason(series!.calendar)
})
const canHaveSeason = computed(() => bench.series!.calendar.seasons > 1)

function takeSeasonOut() {
  void bench.changePart({ decompose: { by: defaultWay(bench.series!.calendar) } })
}
</script>

<template>
  <div v-if="!view.folded" class="bar">
    <LookBar v-if="view.stage === 'look'" :peaks="peaks" />
    <SmoothBar v-else-if="view.stage === 'smooth'" />
    <p v-else-if="whyNoSeason" class="line" role="status">
      {{ whyNoSeason }}
      <v-btn v-if="canHaveSeason" color="accent" @click="takeSeasonOut()">
        Take the season out
      </v-btn>
    </p>
    <GrowthBar v-if="view.stage === 'deseasonalize' && bench.result" />
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
