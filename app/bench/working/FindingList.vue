<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import type { Action, Finding } from '~~/core/finding'
import { useCheck } from '../stages/check/checkStore'
import { useBench } from '../study/benchStore'
import { useSelection } from '../view/selectionStore'
import { useLedger } from '../view/ledgerStore'

const props = defineProps<{ findings: readonly Finding[] }>()
const bench = useBench()
const selection = useSelection()
const ledger = useLedger()
const check = useCheck()

/** What needs care comes first. */
const ordered = computed(() =>
  [...props.findings].sort(
    (a, b) => Number(b.severity === 'caution') - Number(a.severity === 'caution'),
  ),
)

/** What mends: an offer is made once it has been tried. */
function offersOf(finding: Finding): Action[] {
  return (finding.actions ?? []).filter((action) => check.isOffered(finding, action))
}

/** Does what is proposed; undo takes it back. */
function act(action: Action) {
  void bench.act(action)
}

function goTo({ period }: Finding) {
  const at = bench.shown?.columns.period.indexOf(period ?? '') ?? -1
  if (at >= 0)
    selection.moveTo({ column: selection.selected?.column ?? 'value', t: ledger.firstT + at })
}
</script>

<template>
  <section v-if="findings.length > 0" class="findings working-part">
    <h3>Worth knowing</h3>
    <ul>
      <li v-for="finding in ordered" :key="finding.code + finding.text" :class="finding.severity">
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

.caution {
  padding-left: 8px;
  border-left: 2px solid var(--forecast);
}
</style>
