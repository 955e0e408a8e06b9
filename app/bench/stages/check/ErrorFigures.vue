<script setup lang="ts">
import type { Result } from '~~/core/result'
import SaidFigures from './SaidFigures.vue'

/** Error figures of the fit, which has seen the values. */
defineProps<{ result: Result }>()
</script>

<template>
  <section class="working-part">
    <h3>Fitted against actual</h3>
    <p class="muted small">
      In the sample: what is fitted has seen these values. Out of sample the errors are larger.
    </p>
    <SaidFigures :result="result" :figures="result.accuracy.fitted" />
  </section>
</template>
