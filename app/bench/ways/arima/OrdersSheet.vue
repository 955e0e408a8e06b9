<script setup lang="ts">
import { computed } from 'vue'
import type { OrderOptions } from '~~/core/arima/orderOptions'
import type { ArimaForecast } from '~~/core/forecast/arima/calculate'
import type { Method } from '~~/core/method'
import { useBench } from '../../study/benchStore'
import OrderFields from './OrderFields.vue'

/** The word of the orders of a forecast, opened. */
const props = defineProps<{ method: Method }>()
defineEmits<{ done: [] }>()
const bench = useBench()
const options = computed(() => props.method.forecast as OrderOptions)
const found = computed(() => bench.result?.forecast as ArimaForecast | undefined)
</script>

<template>
  <form class="sheet" @submit.prevent="$emit('done')">
    <OrderFields part="forecast" :options="options" :found="found" />
    <p class="muted small">
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
