<script setup lang="ts">
import { computed } from 'vue'
import { useBench } from '../benchStore'
import { useView } from '../viewStore'
import CellWorking from './CellWorking.vue'
import ErrorFigures from './ErrorFigures.vue'
import FindingList from './FindingList.vue'
import SeasonWorking from './SeasonWorking.vue'
import TrendReport from './TrendReport.vue'

const bench = useBench()
const view = useView()
const column = computed(() => view.selected?.column)
const showsSeason = computed(() => column.value === 'seasonalIrregular' || column.value === 'index')
const showsTrend = computed(
  () =>
    view.stage === 'trend' || column.value === 'trend' || column.value === 'forecastDeseasonalized',
)
</script>

<template>
  <aside class="working" aria-label="Working">
    <template v-if="bench.result">
      <CellWorking v-if="view.explanation" :explanation="view.explanation" />
      <p v-else class="muted">Select a figure in the ledger to see how it came about.</p>
      <SeasonWorking
        v-if="showsSeason && view.selected"
        :result="bench.result"
        :t="view.selected.t"
      />
      <TrendReport
        v-if="showsTrend"
        :fit="bench.result.trendFit"
        :unit="bench.result.series.unit"
      />
      <ErrorFigures v-if="view.stage === 'check'" :result="bench.result" />
      <FindingList :findings="bench.result.findings" />
    </template>
    <p v-else class="muted">There is nothing to work out until the method fits the series.</p>
  </aside>
</template>

<style scoped>
.working {
  overflow-y: auto;
  padding: 14px 16px 24px;
  border-left: 1px solid var(--rule);
}
</style>
