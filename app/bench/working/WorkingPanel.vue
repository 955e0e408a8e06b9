<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { later } from '~/shell/later'
import type { ForecastName } from '~~/core/forecast/ways'
import { isResult } from '~~/core/ledger/ledger'
import type { Looked, Result } from '~~/core/result'
import { panelsFor } from '../stages/panels'
import { stageOf } from '../stage/stages'
import { panelsOfForecast } from '../ways/panels'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'
import CellWorking from './CellWorking.vue'
import FindingList from './FindingList.vue'
import { useFindings } from '../findings/findingStore'

const CalculationUnderWay = later(() => import('./CalculationUnderWay.vue'))

const bench = useBench()
const ledger = useLedger()
const selection = useSelection()
const findings = useFindings()

/** Of a refused method the stages that need only the series are there. */
const isThere = computed(() => bench.result !== null || stageOf(ledger.stage).needs === 'series')
const panels = computed(() => panelsOf(bench.told))

function panelsOf(result: Looked | Result | null) {
  const at = { stage: ledger.stage, column: selection.selected?.column }
  return result ? panelsFor(at, result) : []
}

/** The parts that are the own ones of the way of forecasting. */
const ofWay = computed(() => {
  const by = bench.told && isResult(bench.told) ? bench.told.method.forecast.by : null
  return ownPanels(by)
})

function ownPanels(by: ForecastName | null) {
  return new Set((by ? panelsOfForecast(by) : []).map(({ component }) => component))
}
const panel = useTemplateRef('working')
// Another way of forecasting has other choices: they come into view where one is at trend or forecast.
watch(
  () => [bench.study?.id, bench.result?.method.forecast.by] as const,
  async ([study, by], [studyBefore, before]) => {
    if (study !== studyBefore || !by || !before || by === before) return
    if (
      panelsOfForecast(by).length === 0 ||
      (ledger.stage !== 'trend' && ledger.stage !== 'project')
    )
      return
    const own = ownPanels(by)
    if (!panelsOf(bench.shown).some((one) => own.has(one))) selection.chooseStage('trend')
    // The panels come a moment after the numbers.
    await until(() => bench.told === bench.shown)
    await nextTick()
    panel.value?.querySelector('[data-way]')?.scrollIntoView({ block: 'start' })
  },
)

// A figure that is asked for further down is shown at the top.
watch(
  () => selection.selected,
  () => {
    if (panel.value?.contains(document.activeElement)) panel.value.scrollTop = 0
  },
)

function until(isSo: () => boolean): Promise<void> {
  return new Promise((resolve) => {
    if (isSo()) resolve()
    else watch(isSo, () => resolve(), { once: true })
  })
}
</script>

<template>
  <!-- It scrolls, so the keyboard must reach it, even where nothing in it can be pressed. -->
  <aside
    ref="working"
    class="working"
    aria-label="Working"
    tabindex="0"
    data-area="working"
    :aria-busy="bench.told !== bench.shown || undefined"
  >
    <CalculationUnderWay
      v-if="bench.progress"
      :progress="bench.progress"
      :of="bench.isEarly ? 'Making the limits' : 'Calculating'"
      :can-stop="bench.canStop"
      @stop="bench.stop()"
    />
    <template v-if="bench.told && bench.shown && isThere">
      <CellWorking v-if="selection.explanation" :explanation="selection.explanation" />
      <p v-else class="muted">Select a figure in the ledger to see how it came about.</p>
      <FindingList :said="findings.of(ledger.stage)" />
      <div v-for="(part, i) in panels" :key="i" :data-way="ofWay.has(part) || undefined">
        <component :is="part" :result="bench.told" />
      </div>
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
