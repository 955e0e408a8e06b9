<script setup lang="ts">
import { computed } from 'vue'
import { traitsOf } from '~~/core/decompose/ways'
import { useBench } from '../benchStore'
import { STAGE_VIEWS } from '../path/stages'
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
const hasSeason = computed(
  () => bench.result !== null && traitsOf(bench.result.method.decompose).hasSeason,
)
const showsSeason = computed(() => column.value === 'seasonalIrregular' || column.value === 'index')
/** Of a refused method the stages that need only the series are there. */
const isThere = computed(() => bench.result !== null || STAGE_VIEWS[view.stage].needsSeriesOnly)
const showsTrend = computed(
  () =>
    view.stage === 'trend' || column.value === 'trend' || column.value === 'forecastDeseasonalized',
)
const findings = computed(() =>
  (bench.shown?.findings ?? []).filter(({ topic }) => TOPICS_OF[view.stage].includes(topic)),
)
</script>

<template>
  <!-- It scrolls, so the keyboard must reach it, even where nothing in it can be pressed. -->
  <aside class="working" aria-label="Working" tabindex="0">
    <template v-if="bench.shown && isThere">
      <CellWorking v-if="view.explanation" :explanation="view.explanation" />
      <p v-else class="muted">Select a figure in the ledger to see how it came about.</p>
      <LookWorking v-if="view.stage === 'look'" :result="bench.shown" />
      <SmoothWorking v-if="view.stage === 'smooth'" :result="bench.shown" />
      <template v-if="bench.result">
        <SeasonWorking
          v-if="showsSeason && view.selected"
          :result="bench.result"
          :t="view.selected.t"
        />
        <LeftoverWorking
          v-if="column === 'irregular' && (view.stage === 'season' || !hasSeason)"
          :result="bench.result"
        />
        <SeasonTests v-if="view.stage === 'season' && hasSeason" :result="bench.result" />
        <FurthestPeriods v-if="view.stage === 'deseasonalize'" :result="bench.result" />
        <TrendReport
          v-if="showsTrend"
          :fit="bench.result.trendFit"
          :unit="bench.result.series.unit"
          :has-season="hasSeason"
        />
        <ErrorFigures v-if="view.stage === 'check'" :result="bench.result" />
      </template>
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

@media (width < 980px) {
  .working {
    border-top: 1px solid var(--rule);
    border-left: 0;
  }
}
</style>
