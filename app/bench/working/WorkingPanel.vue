<script setup lang="ts">
import { computed } from 'vue'
import { later } from '~/shell/later'
import { panelsFor } from '../stages/panels'
import { stageOf } from '../stages/stages'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'
import CellWorking from './CellWorking.vue'
import FindingList from './FindingList.vue'

const SelectionUnderWay = later(() => import('../ways/smoothing/SelectionUnderWay.vue'))

const bench = useBench()
const ledger = useLedger()
const selection = useSelection()

/** Of a refused method the stages that need only the series are there. */
const isThere = computed(() => bench.result !== null || stageOf(ledger.stage).needs === 'series')
const panels = computed(() =>
  bench.shown
    ? panelsFor({ stage: ledger.stage, column: selection.selected?.column }, bench.shown)
    : [],
)
const findings = computed(() =>
  (bench.shown?.findings ?? []).filter(({ stage }) => stage === ledger.stage),
)
</script>

<template>
  <!-- It scrolls, so the keyboard must reach it, even where nothing in it can be pressed. -->
  <aside class="working" aria-label="Working" tabindex="0">
    <SelectionUnderWay v-if="bench.selection" :selection="bench.selection" />
    <template v-if="bench.shown && isThere">
      <CellWorking v-if="selection.explanation" :explanation="selection.explanation" />
      <p v-else class="muted">Select a figure in the ledger to see how it came about.</p>
      <component :is="panel" v-for="(panel, i) in panels" :key="i" :result="bench.shown" />
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
