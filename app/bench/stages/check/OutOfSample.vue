<script setup lang="ts">
import { computed } from 'vue'
import type { Result } from '~~/core/result'
import { formatDecimals } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { benchmarkSays, type Benchmark } from '~~/core/forecast/benchmarks'
import { cycleOfResult } from '~~/core/ledger/calendarOfResult'
import { useLedger } from '../../view/ledgerStore'
import SaidFigures from './SaidFigures.vue'
import { useCheck } from '../../check/checkStore'

/** Error figures of what the method had not seen, and of what needs no method. */
const props = defineProps<{ result: Result }>()
const check = useCheck()
const ledger = useLedger()
const checked = computed(() => check.checked!)
const others = computed(() =>
  (Object.keys(checked.value.benchmarks) as Benchmark[]).map((which) => ({
    says: benchmarkSays(which, cycleOfResult(props.result)),
    ...checked.value.benchmarks[which]!.pooled,
  })),
)
</script>

<template>
  <section class="working-part">
    <h3>Out of the sample</h3>
    <p class="muted small">
      All {{ checked.method.pooled.count }} errors of {{ checked.tries.length }} origins together.
    </p>
    <SaidFigures :result="props.result" :figures="checked.method.pooled" />
    <v-table class="working-table">
      <caption>
        What needs no method, over the same origins
      </caption>
      <thead>
        <tr class="head">
          <th scope="col" />
          <th scope="col" class="number">
            <TermWord of="mae">MAE</TermWord>
          </th>
          <th scope="col" class="number"><TermWord of="rmse">RMSE</TermWord></th>
          <th scope="col" class="number"><TermWord of="mase">MASE</TermWord></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="other in others" :key="other.says">
          <th scope="row">{{ other.says }}</th>
          <td class="number">{{ ledger.onScale(other.mae) }}</td>
          <td class="number">{{ ledger.onScale(other.rmse) }}</td>
          <td class="number">{{ other.mase === null ? '–' : formatDecimals(other.mase, 2) }}</td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>
