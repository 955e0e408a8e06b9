<script setup lang="ts">
import { computed } from 'vue'
import type { Value } from '~~/core/series/series'
import { smallPath } from './smallPath'

/** The values of a series, and dashed behind them what is forecast. */
const props = defineProps<{ values: readonly Value[]; ahead?: readonly Value[] | undefined }>()
const WIDTH = 180
const HEIGHT = 34
const paths = computed(() => {
  const { values, ahead = [] } = props
  const last = values.findLastIndex((value) => value !== null)
  // A forecast begins behind the last value, whatever is missing there.
  const past = ahead.length === 0 ? values : values.slice(0, last + 1)
  const all = [...past, ...ahead].filter((value) => value !== null)
  const scale = { low: Math.min(...all), high: Math.max(...all) }
  // Joined to the last value, so that it does not begin in the air.
  const behind = [...past.map((value, i) => (i === last ? value : null)), ...ahead]
  return {
    values: smallPath([...past, ...ahead.map(() => null)], WIDTH, HEIGHT, scale),
    ahead: ahead.length === 0 ? null : smallPath(behind, WIDTH, HEIGHT, scale),
  }
})
</script>

<template>
  <svg :width="WIDTH" :height="HEIGHT" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" aria-hidden="true">
    <path :d="paths.values" class="line" />
    <path v-if="paths.ahead" :d="paths.ahead" class="ahead" />
  </svg>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--original);
  stroke-linejoin: round;
  stroke-width: 1.1;
}

.ahead {
  stroke: var(--forecast);
  stroke-dasharray: 3 2;
}
</style>
