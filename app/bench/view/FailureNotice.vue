<script setup lang="ts">
import { useBench } from '../study/benchStore'

/** What ended a calculation, and that the figures are not those of the method that the sentence says. */
const bench = useBench()
</script>

<template>
  <p class="failure" role="alert">
    <strong>Not calculated.</strong> {{ bench.failed }}
    <template v-if="bench.shown">What is shown below is of the method before.</template>
    <v-btn color="accent" @click="bench.calculate()"> Calculate again </v-btn>
  </p>
</template>

<style scoped>
.failure {
  margin: 4px 12px 10px;
  padding: 8px 12px;
  border-left: 3px solid var(--danger);
  background: var(--band);
}
</style>
