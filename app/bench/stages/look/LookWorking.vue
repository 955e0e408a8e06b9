<script setup lang="ts">
import { computed } from 'vue'
import { formatFigure, inReadersFigures } from '~/figures/format'
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
import TermWord from '~/shell/TermWord.vue'
import CorrelationBars from '../../figures/CorrelationBars.vue'

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
    <dl class="figures">
      <dt><TermWord of="dickeyFuller">Dickey–Fuller</TermWord>, a wandering series</dt>
      <dd v-if="tests.dickeyFuller.made">
        {{ tests.dickeyFuller.test.rejects ? 'rejected' : 'not rejected' }}
      </dd>
      <dd v-else>–</dd>
      <template v-if="tests.dickeyFuller.made">
        <dt>τ; 5% value; lags</dt>
        <dd>
          {{ formatFigure(tests.dickeyFuller.test.statistic) }};
          {{ formatFigure(tests.dickeyFuller.test.critical['5']) }};
          {{ tests.dickeyFuller.test.lag }}
        </dd>
      </template>
      <dt><TermWord of="kpss">KPSS</TermWord>, a staying series</dt>
      <dd v-if="tests.kpss.made">{{ tests.kpss.test.rejects ? 'rejected' : 'not rejected' }}</dd>
      <dd v-else>–</dd>
      <template v-if="tests.kpss.made">
        <dt>η; 5% value; lags</dt>
        <dd>
          {{ formatFigure(tests.kpss.test.statistic) }};
          {{ formatFigure(tests.kpss.test.critical['5']) }}; {{ tests.kpss.test.lags }}
        </dd>
      </template>
    </dl>
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
