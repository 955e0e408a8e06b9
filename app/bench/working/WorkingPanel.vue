<script setup lang="ts">
import { computed } from 'vue'
import { useBench } from '../benchStore'
import { useView } from '../viewStore'
import CellWorking from './CellWorking.vue'
import ErrorFigures from './ErrorFigures.vue'
import FindingList from './FindingList.vue'
import FurthestPeriods from './FurthestPeriods.vue'
import LeftoverWorking from './LeftoverWorking.vue'
import LookWorking from './LookWorking.vue'
import SeasonTests from './SeasonTests.vue'
import SmoothWorking from './SmoothWorking.vue'
import { TOPICS_OF } from './topics'
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
const findings = computed(() =>
  (bench.result?.findings ?? []).filter(({ topic }) => TOPICS_OF[view.stage].includes(topic)),
)
</script>

<template>
  <!-- It scrolls, so the keyboard must reach it, even where nothing in it can be pressed. -->
  <aside class="working" aria-label="Working" tabindex="0">
    <template v-if="bench.result">
      <CellWorking v-if="view.explanation" :explanation="view.explanation" />
      <p v-else class="muted">Select a figure in the ledger to see how it came about.</p>
      <SeasonWorking
        v-if="showsSeason && view.selected"
        :result="bench.result"
        :t="view.selected.t"
      />
      <LookWorking v-if="view.stage === 'look'" :result="bench.result" />
      <SmoothWorking v-if="view.stage === 'smooth'" :result="bench.result" />
      <template v-if="view.stage === 'season'">
        <LeftoverWorking v-if="column === 'irregular'" :result="bench.result" />
        <SeasonTests :result="bench.result" />
      </template>
      <FurthestPeriods v-if="view.stage === 'deseasonalize'" :result="bench.result" />
      <TrendReport
        v-if="showsTrend"
        :fit="bench.result.trendFit"
        :unit="bench.result.series.unit"
      />
      <ErrorFigures v-if="view.stage === 'check'" :result="bench.result" />
      <FindingList :findings="findings" />
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
