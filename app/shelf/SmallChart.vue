<script setup lang="ts">
import { computed } from 'vue'
import type { Value } from '~~/core/series/series'
import { smallPath } from './smallPath'

const props = defineProps<{ values: readonly Value[] }>()
const WIDTH = 180
const HEIGHT = 34
const path = computed(() => smallPath(props.values, WIDTH, HEIGHT))
</script>

<template>
  <svg :width="WIDTH" :height="HEIGHT" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" aria-hidden="true">
    <path :d="path" class="line" />
  </svg>
</template>

<style scoped>
.line {
  fill: none;
  stroke: var(--original);
  stroke-width: 1.1;
  stroke-linejoin: round;
}
</style>
