<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import type { Result } from '~~/core/result'
import type { SmoothedTrendReport } from '~~/core/trend/smoothed/report'
import { hasSeason } from '../../stage/panel'
import SmoothingFigures from '../smoothing/SmoothingFigures.vue'
import WeightList from '../smoothing/WeightList.vue'
import { namesTakenOut } from '~~/core/prepare/prepare'
import { seasonOut } from '~~/core/words/seasonOut'

/** A trend that follows the latest level and slope: where it stands, and the weights that it was chosen with. */
const props = defineProps<{ result: Result }>()
const fit = computed(() => props.result.trendFit as SmoothedTrendReport)
</script>

<template>
  <section class="working-part">
    <h3>
      Trend smoothed through the
      {{ hasSeason(result) ? seasonOut(namesTakenOut(result.takenOut?.found)).series : 'series' }}
    </h3>
    <p class="equation">{{ inReadersFigures(fit.equation) }}</p>
    <p class="muted small">
      In the past it is what the periods before said of each one. A weight says how much the newest
      counts; chosen ones have the highest likelihood, together with level and slope at the start.
    </p>
    <WeightList :figures="fit.smoothing" />
    <SmoothingFigures :figures="fit.smoothing" :unit="result.series.unit" />
  </section>
</template>

<style scoped>
p {
  margin: 2px 0;
}

.equation {
  color: var(--deseasonalized);
  font-size: 14px;
}
</style>
