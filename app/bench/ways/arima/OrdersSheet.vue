<script setup lang="ts">
import { computed } from 'vue'
import type { ArimaFigures } from '~~/core/arima/model'
import type { OrderOptions } from '~~/core/arima/orderOptions'
import type { ArimaForecast } from '~~/core/forecast/arima/calculate'
import type { Method } from '~~/core/method'
import type { ArimaTrendReport } from '~~/core/trend/arima/report'
import { useBench } from '../../study/benchStore'
import OrderFields from './OrderFields.vue'
import type { ModelPart } from './shown'

/** The word of the orders of a model, opened: of the forecast, or of the trend. */
const props = defineProps<{ method: Method; part: ModelPart }>()
defineEmits<{ done: [] }>()
const bench = useBench()
const options = computed(() => props.method[props.part] as OrderOptions)
const found = computed<ArimaFigures | undefined>(() =>
  props.part === 'forecast'
    ? (bench.result?.forecast as ArimaForecast | undefined)
    : (bench.result?.trendFit as ArimaTrendReport | undefined)?.model,
)
</script>

<template>
  <form class="sheet" @submit.prevent="$emit('done')">
    <OrderFields :part="part" :options="options" :found="found" />
    <p class="muted small">
      {{ part === 'trend' ? 'A model of what has no season.' : '' }}
      Criteria compare models of the same differences on the same values alone.
    </p>
  </form>
</template>

<style scoped>
.sheet {
  width: 320px;
  padding: 12px 16px 14px;
}

p {
  margin: 6px 0 0;
}
</style>
