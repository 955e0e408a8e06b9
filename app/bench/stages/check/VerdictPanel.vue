<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { heldLine } from '~~/core/check/words'
import type { Result } from '~~/core/result'
import { useBench } from '../../study/benchStore'
import { useContest } from '../../contest/contestStore'
import { useLedger } from '../../view/ledgerStore'
import { useSelection } from '../../view/selectionStore'
import { useCheck } from '../../check/checkStore'

/** How such forecasts would have done, in a line, wherever a forecast is shown. */
defineProps<{ result: Result }>()
const bench = useBench()
const check = useCheck()
const contest = useContest()
const ledger = useLedger()
const selection = useSelection()

const cautions = computed(
  () => (check.checked?.findings ?? []).filter(({ severity }) => severity === 'caution').length,
)
const held = computed(() => heldLine(check.checked?.coverage ?? []))
</script>

<template>
  <section class="working-part verdict" aria-label="Verdict">
    <h3>How such forecasts would have done</h3>
    <p role="status" :class="{ muted: check.state !== 'done' }">
      {{ inReadersFigures(check.line) }}
    </p>
    <v-progress-linear
      v-if="check.state === 'running' && check.progress"
      :model-value="(100 * check.progress.done) / check.progress.of"
      aria-label="Forecasts made"
    />
    <p v-if="held">{{ inReadersFigures(held) }}</p>
    <p v-if="check.state === 'running' && check.progress">
      <v-btn class="small" @click="check.stop()">Stop the check</v-btn>
    </p>
    <p v-if="check.state === 'failed' || check.state === 'stopped'">
      <v-btn class="small" @click="check.run()">Check again</v-btn>
    </p>
    <p class="acts">
      <v-btn v-if="ledger.stage !== 'check'" class="small" @click="selection.chooseStage('check')">
        {{ cautions > 0 ? 'What to try' : 'To the check' }}
      </v-btn>
      <v-btn v-if="!bench.frozen" color="accent" class="small" @click="contest.show()"
        >Contest of methods</v-btn
      >
    </p>
  </section>
</template>

<style scoped>
.verdict > p {
  margin: 4px 0 0;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
