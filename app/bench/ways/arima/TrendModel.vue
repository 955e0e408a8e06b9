<script setup lang="ts">
import { computed } from 'vue'
import type { Result } from '~~/core/result'
import ModelPanels from './ModelPanels.vue'
import { shownTrend } from './shown'

/** The ARIMA model that the trend is. */
const props = defineProps<{ result: Result }>()
const shown = computed(() => shownTrend(props.result))
</script>

<template>
  <ModelPanels :shown="shown" :result="result" />
</template>
