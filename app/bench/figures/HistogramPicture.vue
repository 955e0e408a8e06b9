<script setup lang="ts">
import { computed } from 'vue'
import { histogram } from '~~/core/statistics/histogram'

/** How values are spread around 0, with the normal curve of the same spread. */
const props = defineProps<{
  title: string
  values: readonly number[]
  /** Their standard deviation. */
  spread: number
}>()
const WIDTH = 296
const HEIGHT = 62
/** Points of the curve. */
const FINE = 60

const shape = computed(() => {
  const { values, spread } = props
  const bins = histogram(values)
  if (!bins) return null
  const { counts, from, width } = bins
  const whole = width * counts.length
  const normal = (x: number) =>
    (values.length * width * Math.exp(-((x / spread) ** 2) / 2)) / (spread * Math.sqrt(2 * Math.PI))
  const most = Math.max(...counts, normal(0))
  const y = (count: number) => HEIGHT * (1 - count / most)
  const curve = Array.from({ length: FINE + 1 }, (_, i) => {
    const height = y(normal(from + (i / FINE) * whole))
    return `${i === 0 ? 'M' : 'L'}${((i / FINE) * WIDTH).toFixed(1)} ${height.toFixed(1)}`
  }).join('')
  const each = WIDTH / counts.length
  const bars = counts.map((count, i) => ({
    x: i * each + 0.5,
    width: each - 1,
    y: y(count),
    height: HEIGHT - y(count),
  }))
  return { curve, bars }
})
</script>

<template>
  <figure v-if="shape" class="histogram">
    <figcaption>{{ title }} <span class="muted small">the line is a normal curve</span></figcaption>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`${title}, with a normal curve`"
    >
      <rect v-for="(bar, i) in shape.bars" :key="i" v-bind="bar" />
      <path :d="shape.curve" />
    </svg>
  </figure>
</template>

<style scoped>
.histogram {
  margin: 8px 0 0;
}

figcaption {
  font-size: 12px;
}

svg {
  display: block;
  width: 100%;
  border-bottom: 1px solid var(--rule-strong);
}

rect {
  fill: var(--irregular);
  opacity: 0.55;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}
</style>
