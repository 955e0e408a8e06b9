<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { STAGES, type Stage } from '~~/core/stage'
import { useBench } from '../study/benchStore'
import { useFindings } from '../findings/findingStore'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'
import { useCheck } from '../check/checkStore'
import { lineOf, stageOf } from '../stage/stages'

const bench = useBench()
const ledger = useLedger()
const selection = useSelection()
const check = useCheck()
const findings = useFindings()

/** What the stages came to: apart from the check, which says more and more while it runs. */
const lines = computed(() => {
  const { shown } = bench
  return new Map(STAGES.map((stage) => [stage, (shown && lineOf(stage, shown)) ?? '–']))
})

/** What a stage came to; Project and Check with how such forecasts would have done. */
function resultOf(stage: Stage): string {
  const line = lines.value.get(stage)!
  const verdict = bench.result ? inReadersFigures(check.short) : ''
  if (verdict === '') return line
  if (stage === 'check') return verdict
  return stage === 'project' ? `${line}; ${verdict}` : line
}

/** How many findings of each stage ask for care: they stand at their own stage, and only there. */
const cautions = computed(() => {
  const counts: Partial<Record<Stage, number>> = {}
  for (const { stage } of findings.cautions) counts[stage] = (counts[stage] ?? 0) + 1
  return counts
})
function cautionWords(count: number): string {
  return `${count} ${count === 1 ? 'thing' : 'things'} to look at`
}
</script>

<template>
  <nav class="path" aria-label="Path" data-area="path">
    <ol>
      <li v-for="stage in STAGES" :key="stage">
        <v-btn
          variant="plain"
          class="stage"
          :aria-current="ledger.stage === stage ? 'step' : undefined"
          @click="selection.chooseStage(stage)"
        >
          <span class="dot" aria-hidden="true" />
          <span class="name">{{ stageOf(stage).label }}</span>
          <span class="result">{{ resultOf(stage) }}</span>
        </v-btn>
        <v-btn
          v-if="cautions[stage]"
          variant="plain"
          class="cautions"
          :aria-label="`${cautionWords(cautions[stage])}, at ${stageOf(stage).label}`"
          @click="findings.showFirst(stage)"
        >
          {{ cautionWords(cautions[stage]) }}
        </v-btn>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
.path {
  padding: 12px 8px 12px 18px;
  border-right: 1px solid var(--rule);
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  position: relative;
  padding-bottom: 14px;
}

li:not(:last-child)::before {
  position: absolute;
  top: 18px;
  bottom: -8px;
  left: 8px;
  width: 1.5px;
  background: var(--rule-strong);
  content: '';
  opacity: 0.6;
}

.stage {
  position: relative;
  /* A button sets its words in its middle; here the name stands beside the dot, however little is said below. */
  display: flex;
  flex-direction: column;
  align-items: stretch;
  justify-content: flex-start;
  width: 100%;
  padding: 2px 4px 0 28px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.dot {
  position: absolute;
  top: 6px;
  left: 3px;
  width: 11px;
  height: 11px;
  box-sizing: border-box;
  border: 1.5px solid var(--rule-strong);
  border-radius: 50%;
  background: var(--paper);
}

.stage:hover .dot {
  border-color: var(--accent);
}

[aria-current] .dot {
  top: 4px;
  left: 1px;
  width: 15px;
  height: 15px;
  border-color: var(--accent);
  background: var(--accent);
}

.name {
  display: block;
  font-weight: 600;
}

.result {
  display: block;
  color: var(--muted);
  font-size: 11px;
  line-height: 1.35;
}

.cautions {
  display: block;
  padding: 0 4px 0 28px;
  border: 0;
  background: none;
  color: var(--forecast-text);
  font-size: 11px;
  line-height: 1.35;
}

@media (width < 980px) {
  .path {
    padding: 8px 12px 0;
    border-right: 0;
    border-bottom: 1px solid var(--rule);
  }

  ol {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  }

  li:not(:last-child)::before {
    content: none;
  }
}
</style>
