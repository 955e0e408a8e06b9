<script setup lang="ts">
import { computed } from 'vue'
import type { Result } from '~~/core/result'
import ModelPanels from './ModelPanels.vue'
import { shownForecast } from './shown'

/** The ARIMA model that forecasts. */
const props = defineProps<{ result: Result }>()
const shown = computed(() => shownForecast(props.result))
</script>

<template>
  <ModelPanels :shown="shown" :result="result" />
</template>
