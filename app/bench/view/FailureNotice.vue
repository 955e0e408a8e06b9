<script setup lang="ts">
import { useBench } from '../study/benchStore'
import PlaneNotice from './PlaneNotice.vue'

/** What ended a calculation, and that the figures are not those of the method that the sentence says. */
const bench = useBench()
</script>

<template>
  <PlaneNotice lead="Not calculated.">
    {{ bench.failed }}
    <template v-if="bench.shown">What is shown below is of the method before.</template>
    <v-btn color="accent" @click="bench.calculate()"> Calculate again </v-btn>
  </PlaneNotice>
</template>
