<script setup lang="ts">
import { computed } from 'vue'
import type { OrderOptions } from '~~/core/arima/orderOptions'
import type { Method } from '~~/core/method'
import type { ArimaTrendReport } from '~~/core/trend/arima/report'
import { useBench } from '../../study/benchStore'
import OrderFields from './OrderFields.vue'

/** The word of the orders of a trend, opened. */
const props = defineProps<{ method: Method }>()
defineEmits<{ done: [] }>()
const bench = useBench()
const options = computed(() => props.method.trend as OrderOptions)
const found = computed(() => (bench.result?.trendFit as ArimaTrendReport | undefined)?.model)
</script>

<template>
  <form class="sheet" @submit.prevent="$emit('done')">
    <OrderFields part="trend" :options="options" :found="found" />
    <p class="muted small">
      A model of what has no season. Criteria compare models of the same differences on the same
      values alone.
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
