<script setup lang="ts">
import { computed } from 'vue'
import { regressionReadings } from '~~/core/ledger/regressionReadings'
import type { Result } from '~~/core/result'
import CoefficientTable from '../../figures/CoefficientTable.vue'
import FitFigures from '../../figures/FitFigures.vue'

/** The regression of the values on trend, season and events, as an analyst reads it. */
const props = defineProps<{ result: Result }>()
const report = computed(() => props.result.regression!)
const rows = computed(() =>
  regressionReadings(props.result)!.terms.map(({ term, reads, range, isTold }) => ({
    ...term,
    reads,
    range,
    isTold,
  })),
)
const untold = computed(() => rows.value.filter(({ isTold }) => !isTold).length)
const slopes = computed(() =>
  report.value.segmentSlopes.length > 0
    ? { title: 'Slope of every piece', rows: report.value.segmentSlopes }
    : { title: 'Slope of every season', rows: report.value.seasonSlopes },
)
</script>

<template>
  <section class="working-part">
    <h3>
      Regression of
      {{ report.ofLog ? `the logarithm of ${result.series.noun}` : result.series.noun }}
    </h3>
    <p class="muted small">
      Fitted to {{ report.n }} values at once;
      <template v-if="report.ofLog">
        estimates are of the logarithm, the words say them as shares.
      </template>
      <template v-else-if="result.series.unit">estimates in {{ result.series.unit }}.</template>
      {{
        untold === 0
          ? 'Every coefficient can be told from nothing.'
          : `${untold} of ${rows.length} coefficients cannot be told from nothing at 5%.`
      }}
    </p>
    <CoefficientTable :rows="rows" name="Coefficients of the regression" />
    <template v-if="slopes.rows.length > 0">
      <h4>{{ slopes.title }}</h4>
      <CoefficientTable :rows="slopes.rows" :name="slopes.title" />
    </template>
    <FitFigures :fit="report" of="regression" :unit="report.ofLog ? '' : result.series.unit" />
  </section>
</template>

<style scoped>
h4 {
  margin: 8px 0 0;
  font-size: 12px;
  font-weight: 600;
}
</style>
