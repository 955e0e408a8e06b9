<script setup lang="ts">
import { computed } from 'vue'

/** Points against something, around a line at 0. */
export interface ScatterPoint {
  readonly x: number
  readonly y: number
  readonly words: string
}

const props = defineProps<{
  title: string
  /** What the horizontal axis counts, and how its two ends are written. */
  across: string
  ends: readonly [low: string, high: string]
  /** How the highest and the lowest value are written. */
  range: string
  points: readonly ScatterPoint[]
  /** Points are pressed to go to what they stand for. */
  summary: string
}>()
const emit = defineEmits<{ press: [index: number] }>()
const WIDTH = 296
const HEIGHT = 74
const EDGE = 5
const FOOT = 13

const bounds = computed(() => {
  const xs = props.points.map(({ x }) => x)
  const most = Math.max(...props.points.map(({ y }) => Math.abs(y))) || 1
  return { low: Math.min(...xs), high: Math.max(...xs), most }
})
function left(x: number): number {
  const { low, high } = bounds.value
  return EDGE + ((x - low) / (high - low || 1)) * (WIDTH - 2 * EDGE)
}
function top(y: number): number {
  return HEIGHT / 2 - (y / bounds.value.most) * (HEIGHT / 2 - EDGE)
}
</script>

<template>
  <figure class="scatter">
    <figcaption>
      {{ title }} <span class="muted small">{{ range }}</span>
    </figcaption>
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT + FOOT}`" role="img" :aria-label="`${title}: ${summary}`">
      <line :x1="0" :x2="WIDTH" :y1="HEIGHT / 2" :y2="HEIGHT / 2" class="zero" />
      <circle
        v-for="(point, i) in points"
        :key="i"
        :cx="left(point.x)"
        :cy="top(point.y)"
        r="2.2"
        :data-tip="point.words"
        @click="emit('press', i)"
      />
      <text :x="EDGE" :y="HEIGHT + FOOT - 2">{{ ends[0] }}</text>
      <text :x="WIDTH / 2" :y="HEIGHT + FOOT - 2" text-anchor="middle">{{ across }}</text>
      <text :x="WIDTH - EDGE" :y="HEIGHT + FOOT - 2" text-anchor="end">{{ ends[1] }}</text>
    </svg>
  </figure>
</template>

<style scoped>
.scatter {
  margin: 8px 0 0;
}

figcaption {
  font-size: 12px;
}

svg {
  display: block;
  width: 100%;
  border-bottom: 1px solid var(--rule);
}

.zero {
  stroke: var(--rule-strong);
}

circle {
  fill: var(--irregular);
  opacity: 0.75;
  cursor: pointer;
}

text {
  fill: var(--muted);
  font-size: 11px;
}
</style>
