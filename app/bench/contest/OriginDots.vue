<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals } from '~/figures/format'

/** How far off a method was from each origin, as small dots on one line, and its mean. */
const props = defineProps<{
  figures: readonly number[]
  mean: number | null
  /** The right end of the line; what lies beyond is drawn at it. */
  largest: number
}>()
const WIDTH = 180
const HEIGHT = 18
const EDGE = 4

const x = (figure: number) =>
  EDGE + (props.largest > 0 ? Math.min(1, figure / props.largest) * (WIDTH - 2 * EDGE) : 0)
const words = computed(() => {
  if (props.figures.length === 0) return 'no origin'
  const [low, high] = [Math.min(...props.figures), Math.max(...props.figures)]
  return `${props.figures.length} origins, from ${formatDecimals(low, 2)} to ${formatDecimals(high, 2)}`
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="words">
    <line :x1="EDGE" :x2="WIDTH - EDGE" :y1="HEIGHT / 2" :y2="HEIGHT / 2" class="line" />
    <circle
      v-for="(figure, i) in figures"
      :key="i"
      :cx="x(figure)"
      :cy="HEIGHT / 2"
      r="2.6"
      class="dot"
    />
    <line v-if="mean !== null" :x1="x(mean)" :x2="x(mean)" y1="2" :y2="HEIGHT - 2" class="mean" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 180px;
}

.line {
  stroke: var(--rule);
}

.dot {
  fill: var(--forecast);
  opacity: 0.35;
}

.mean {
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
