<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { differenced, identify, suggestionWords } from '~~/core/arima/identify'
import { differencesText } from '~~/core/arima/words'
import { onePeriod } from '~~/core/calendar/labels'
import { testStationarity } from '~~/core/stationarity/stationarity'
import CorrelationBars from '../../figures/CorrelationBars.vue'
import StationarityFigures from '../../figures/StationarityFigures.vue'
import { useBench } from '../../study/benchStore'
import OrderFields from './OrderFields.vue'
import type { ShownModel } from './shown'

/** The orders, and beside them what the differences that are taken suggest. */
const props = defineProps<{ shown: ShownModel }>()
const bench = useBench()
const rest = computed(() => {
  const { values, model, seasons } = props.shown
  return differenced(values, model.order, seasons)
})
const found = computed(() => identify(rest.value, props.shown.seasons))
const tests = computed(() => testStationarity(rest.value))
const says = computed(() =>
  found.value.suggests ? suggestionWords(found.value.suggests, props.shown.seasons) : [],
)
const name = computed(() => {
  const { model, of } = props.shown
  return differencesText(model.order, of, onePeriod(bench.series!.calendar))
})
</script>

<template>
  <section class="working-part">
    <h3>Orders of the model</h3>
    <OrderFields :part="shown.part" :options="shown.options" :found="shown.model" />
    <h4>What the differences suggest</h4>
    <p class="muted small">{{ name }}: {{ found.count }} figures. It decides nothing.</p>
    <p v-for="sentence in says" :key="sentence" class="said">{{ sentence }}</p>
    <template v-if="found.autocorrelation && found.partial">
      <CorrelationBars
        title="Autocorrelation"
        term="autocorrelation"
        :values="found.autocorrelation"
        :limit="found.limit"
        :every="shown.seasons"
      />
      <CorrelationBars
        title="Partial autocorrelation"
        term="partialAutocorrelation"
        :values="found.partial"
        :limit="found.limit"
        :every="shown.seasons"
      />
    </template>
    <p v-else class="muted small">
      No autocorrelation: a gap inside, or differences that do not vary.
    </p>
    <p v-if="tests.verdict" class="said">{{ inReadersFigures(tests.verdict) }}</p>
    <StationarityFigures :tests="tests" />
  </section>
</template>

<style scoped>
h4 {
  margin: 10px 0 0;
  font-size: 12px;
  font-weight: 600;
}

p {
  margin: 0;
}

.said {
  margin-top: 4px;
  font-size: 12px;
}
</style>
