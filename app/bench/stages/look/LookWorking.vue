<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import {
  autocorrelation,
  autocorrelationLimit,
  partialAutocorrelation,
} from '~~/core/autocorrelation/autocorrelation'
import { withoutGap } from '~~/core/autocorrelation/withoutGap'
import { Refusal } from '~~/core/refusal'
import type { Looked } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { testStationarity } from '~~/core/stationarity/stationarity'
import { useLedger } from '../../view/ledgerStore'
import CorrelationBars from '../../figures/CorrelationBars.vue'
import StationarityFigures from '../../figures/StationarityFigures.vue'

/** Whether the series, or what is left of it without a trend, stays where it is and remembers itself. */
const props = defineProps<{ result: Looked }>()
const ledger = useLedger()

const FEWEST_LAGS = 24

const rest = computed(() => ledger.inspected.find(({ beside }) => beside.kind === 'rest'))
const looked = computed<{ name: string; values: readonly Value[] }>(() =>
  rest.value && rest.value.problem === null
    ? {
        name: [
          rest.value.column.label.toLowerCase(),
          ...(rest.value.column.means ? [`(${rest.value.column.means})`] : []),
        ].join(' '),
        values: rest.value.column.actual!,
      }
    : { name: props.result.series.noun, values: props.result.columns.value },
)
const tests = computed(() => testStationarity(looked.value.values))

const correlations = computed(() => {
  try {
    const { values } = withoutGap(looked.value.values, 'The autocorrelation')
    const lags = Math.min(
      Math.max(FEWEST_LAGS, 2 * props.result.series.seasons),
      Math.floor(values.length / 2),
    )
    const r = autocorrelation(values, lags)
    if (!r || r.length === 0) return { problem: 'A series that does not vary has none.' }
    return { r, partial: partialAutocorrelation(r), limit: autocorrelationLimit(values.length) }
  } catch (error) {
    if (error instanceof Refusal) return { problem: error.because }
    throw error
  }
})
</script>

<template>
  <section class="look working-part">
    <h3>Does it stay where it is?</h3>
    <p class="muted small">Tests of {{ looked.name }}</p>
    <p v-if="tests.verdict" class="verdict">{{ inReadersFigures(tests.verdict) }}</p>
    <StationarityFigures :tests="tests" />
    <p v-if="!tests.dickeyFuller.made" class="muted small">{{ tests.dickeyFuller.because }}</p>
    <p v-else-if="!tests.kpss.made" class="muted small">{{ tests.kpss.because }}</p>
    <template v-if="!('problem' in correlations)">
      <CorrelationBars
        title="Autocorrelation"
        term="autocorrelation"
        :values="correlations.r"
        :limit="correlations.limit"
        :every="result.series.seasons"
      />
      <CorrelationBars
        title="Partial autocorrelation"
        term="partialAutocorrelation"
        :values="correlations.partial"
        :limit="correlations.limit"
        :every="result.series.seasons"
      />
    </template>
    <p v-else-if="tests.dickeyFuller.made" class="muted small">{{ correlations.problem }}</p>
  </section>
</template>

<style scoped>
.verdict {
  margin-top: 4px;
}
</style>
