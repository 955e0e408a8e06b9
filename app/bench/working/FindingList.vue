<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { inReadersFigures } from '~/figures/format'
import type { Action, Finding } from '~~/core/finding'
import { useCheck } from '../check/checkStore'
import { useBench } from '../study/benchStore'
import { findingKey, useFindings } from '../findings/findingStore'
import { useSelection } from '../view/selectionStore'
import { useLedger } from '../view/ledgerStore'

/** Sentences of one stage, what asks for care first. */
const props = defineProps<{ said: readonly Finding[] }>()
const bench = useBench()
const selection = useSelection()
const ledger = useLedger()
const check = useCheck()
const findings = useFindings()

const list = ref<HTMLElement | null>(null)

/** Who goes to a sentence finds it in sight, lit, and under the keyboard. */
async function lightUp() {
  if (findings.lit === '') return
  await nextTick()
  const item = [...(list.value?.children ?? [])].find(
    (one) => (one as HTMLElement).dataset.finding === findings.lit,
  ) as HTMLElement | undefined
  item?.scrollIntoView({ block: 'nearest' })
  item?.focus({ preventScroll: true })
}
onMounted(lightUp)
watch(() => findings.lit, lightUp)

/** What mends: an offer is made once it has been tried. */
function offersOf(finding: Finding): Action[] {
  if (bench.frozen) return []
  return (finding.actions ?? []).filter((action) => check.isOffered(finding, action))
}

/** Does what is proposed; undo takes it back. */
function act(action: Action) {
  void bench.act(action)
}

/** The first offer of each sentence, where together they mend. */
const together = computed(() => {
  const stage = props.said[0]?.stage
  return stage && !bench.frozen ? check.togetherIn(stage, props.said) : []
})
function actAll() {
  void bench.act(...together.value.map(({ action }) => action))
}

function goTo({ period }: Finding) {
  const at = bench.shown?.columns.period.indexOf(period ?? '') ?? -1
  if (at >= 0)
    selection.moveTo({ column: selection.selected?.column ?? 'value', t: ledger.firstT + at })
}
</script>

<template>
  <section v-if="said.length > 0" class="findings working-part">
    <h3>Worth knowing</h3>
    <v-btn
      v-if="together.length > 0"
      color="accent"
      class="small"
      :data-tip="together.map(({ action }) => inReadersFigures(action.label)).join('; ')"
      @click="actAll()"
    >
      do the first of each, {{ together.length }} at once
    </v-btn>
    <ul ref="list">
      <li
        v-for="finding in said"
        :key="findingKey(finding)"
        :data-finding="findingKey(finding)"
        :class="[finding.severity, { lit: findings.lit === findingKey(finding) }]"
        tabindex="-1"
      >
        {{ inReadersFigures(finding.text) }}
        <v-btn
          v-if="finding.period !== null"
          variant="plain"
          class="go"
          :aria-label="`Show ${finding.period}`"
          @click="goTo(finding)"
        >
          show
        </v-btn>
        <v-btn
          v-for="action in offersOf(finding)"
          :key="action.label"
          variant="plain"
          class="go"
          @click="act(action)"
        >
          {{ inReadersFigures(action.label) }}
        </v-btn>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0 0;
  padding: 0;
  font-size: 12px;
  list-style: none;
}

li {
  padding: 2px 0;
}

/* A button in a line of words is parted from them. */
li > .v-btn {
  margin-left: 6px;
}

.caution {
  padding-left: 8px;
  border-left: 2px solid var(--forecast);
}

.lit {
  background: var(--cursor-wash);
  outline: none;
}
</style>
