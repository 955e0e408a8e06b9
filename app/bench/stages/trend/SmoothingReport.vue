<script setup lang="ts">
import { computed } from 'vue'
import type { SmoothingForecast } from '~~/core/forecast/smoothing/calculate'
import { formWords } from '~~/core/forecast/smoothing/words'
import type { Result } from '~~/core/result'
import SmoothingFigures from './SmoothingFigures.vue'

/** The smoothing that forecasts: its weights, where it starts, and what it was chosen by. */
const props = defineProps<{ result: Result }>()
const ahead = computed(() => props.result.forecast as Result['forecast'] & SmoothingForecast)
</script>

<template>
  <section class="working-part">
    <h3>Smoothing: {{ formWords(ahead.form) }}</h3>
    <p class="muted small">
      A weight says how much the newest counts: 0 for never revised, 1 for only the newest. Chosen
      ones have the highest likelihood, together with the initial states.
    </p>
    <SmoothingFigures :figures="ahead" :unit="result.series.unit" />
  </section>
</template>
