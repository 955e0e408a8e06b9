<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { formatFigure } from '~/figures/format'
import type { Explanation } from '~~/core/ledger/explain'
import { exclusionsOf } from '~~/core/method'
import { write } from '~~/core/column/write'
import { useBench } from '../benchStore'
import { useView } from '../viewStore'
import { leaveOutOfIndex, putBackIntoIndex } from './exclusion'
import LocalFitChart from './LocalFitChart.vue'
import ValueCare from './ValueCare.vue'

const props = defineProps<{ explanation: Explanation }>()
const bench = useBench()
const view = useView()
const reason = ref('')

const period = computed(
  () => bench.shown?.columns.period[props.explanation.cell.t - view.firstT] ?? null,
)
const exclusion = computed(() =>
  bench.result
    ? exclusionsOf(bench.result.method).find((have) => have.period === period.value)
    : undefined,
)
/** A figure of the file itself, that no arithmetic made. */
const cameIn = computed(() => {
  const { column } = props.explanation.cell
  if (!props.explanation.defined || (column !== 'value' && column !== 'original')) return false
  return props.explanation.value === original.value
})
const original = computed(
  () => bench.shown?.columns.original[props.explanation.cell.t - view.firstT] ?? null,
)
const canCare = computed(
  () =>
    (props.explanation.cell.column === 'value' || props.explanation.cell.column === 'original') &&
    period.value !== null,
)
const source = computed(() => {
  const { file, column } = bench.study!.source
  return column === undefined ? file : `${file}, column ${column}`
})
const canLeaveOut = computed(
  () => props.explanation.cell.column === 'seasonalIrregular' && props.explanation.defined,
)
watch(
  () => props.explanation.cell,
  () => (reason.value = ''),
)

function leaveOut() {
  const words = reason.value.trim()
  if (words && period.value) void bench.change(leaveOutOfIndex(bench.method, period.value, words))
}
</script>

<template>
  <section class="cell">
    <h2 class="serif">{{ explanation.title }}</h2>
    <p class="muted means">{{ explanation.means }}</p>
    <template v-if="explanation.defined">
      <p v-if="cameIn" class="symbols muted">from {{ source }}, as it came in</p>
      <template v-else>
        <p class="symbols muted">{{ write(explanation.expression) }}</p>
        <p class="numbers">{{ write(explanation.expression, formatFigure) }}</p>
      </template>
      <p class="value">
        = {{ formatFigure(explanation.value) }} <span class="unit">{{ explanation.unit }}</span>
      </p>
      <p v-if="explanation.reading" class="reading">{{ explanation.reading }}</p>
      <LocalFitChart
        v-if="explanation.localFit"
        :fit="explanation.localFit"
        :result="bench.result!"
      />
    </template>
    <p v-else class="because">{{ explanation.because }}</p>

    <ValueCare v-if="canCare" :period="period!" :original="original" />
    <template v-if="canLeaveOut">
      <p v-if="exclusion" class="excluded">
        Left out of its season: {{ exclusion.reason }}.
        <v-btn
          color="accent"
          @click="bench.change(putBackIntoIndex(bench.method, exclusion.period))"
        >
          put back
        </v-btn>
      </p>
      <form v-else class="leave-out" @submit.prevent="leaveOut">
        <v-text-field
          v-model="reason"
          placeholder="reason to leave it out"
          aria-label="Reason to leave this value out of its season’s index"
          maxlength="500"
        />
        <v-btn color="accent" type="submit" :disabled="reason.trim() === ''"> leave out </v-btn>
      </form>
    </template>
  </section>
</template>

<style scoped>
h2 {
  font-size: 16px;
}

p {
  margin: 0;
}

.means {
  font-size: 12px;
}

.symbols {
  margin-top: 8px;
  font-size: 11.5px;
  overflow-wrap: anywhere;
}

.numbers {
  margin-top: 4px;
  font-size: 14px;
  font-variant-numeric: tabular-nums;
  overflow-wrap: anywhere;
}

.value {
  color: var(--accent);
  font-size: 18px;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}

.unit {
  color: var(--muted);
  font-size: 12px;
  font-weight: 400;
}

.because {
  margin-top: 8px;
}

.leave-out {
  display: flex;
  gap: 6px;
  margin-top: 10px;
}

.leave-out input {
  flex: 1;
  min-width: 0;
  padding: 4px 7px;
  font-size: 12px;
}

.excluded {
  margin-top: 8px;
}
</style>
