<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure } from '~/figures/format'
import type { WeightedCell } from '~~/core/ledger/weighted'

/** The weights of an average, as bars under the points that they weigh. */
const props = defineProps<{
  cells: readonly WeightedCell[]
  /** The period that the average stands at, and what it comes to. */
  at: number
  value: number
  label: (t: number) => string
}>()
const WIDTH = 296
const POINTS = 62
const BARS = 46
const GAP = 8
const FOOT = 14
const EDGE = 9

const axis = computed(() => {
  const ts = [...props.cells.map(({ t }) => t), props.at]
  return { from: Math.min(...ts), to: Math.max(...ts) }
})
function x(t: number): number {
  const { from, to } = axis.value
  return EDGE + ((t - from + 0.5) / (to - from + 1)) * (WIDTH - 2 * EDGE)
}
const barWidth = computed(() => {
  const apart = props.cells.map(({ t }, i) => (i === 0 ? Infinity : t - props.cells[i - 1]!.t))
  const step = Math.min(...apart, axis.value.to - axis.value.from + 1)
  return Math.min(18, Math.max(2, 0.6 * (x(axis.value.from + step) - x(axis.value.from))))
})
const levels = computed(() => {
  const all = [...props.cells.map(({ value }) => value), props.value]
  return { low: Math.min(...all), high: Math.max(...all) }
})
function y(value: number): number {
  const { low, high } = levels.value
  return POINTS - 5 - ((value - low) / (high - low || 1)) * (POINTS - 10)
}
const weights = computed(() => {
  const all = props.cells.map(({ weight }) => weight)
  return { low: Math.min(0, ...all), high: Math.max(0, ...all) }
})
function barY(weight: number): number {
  const { low, high } = weights.value
  return POINTS + GAP + ((high - weight) / (high - low || 1)) * BARS
}
/** A bar from nothing to its weight. */
const bars = computed(() =>
  props.cells.map((cell) => ({
    ...cell,
    y: Math.min(barY(0), barY(cell.weight)),
    height: Math.max(0.8, Math.abs(barY(cell.weight) - barY(0))),
  })),
)
const isOneSided = computed(() => {
  const before = props.cells.filter(({ t }) => t < props.at).length
  return before !== props.cells.filter(({ t }) => t > props.at).length
})
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} ${POINTS + GAP + BARS + FOOT}`"
      role="img"
      :aria-label="`${cells.length} values and their weights; together ${formatFigure(value)}`"
    >
      <line :x1="x(at)" :x2="x(at)" y1="0" :y2="POINTS + GAP + BARS" class="at" />
      <line :x1="EDGE" :x2="WIDTH - EDGE" :y1="barY(0)" :y2="barY(0)" class="zero" />
      <g v-for="bar in bars" :key="bar.t">
        <rect
          :x="x(bar.t) - barWidth / 2"
          :y="bar.y"
          :width="barWidth"
          :height="bar.height"
          :class="bar.weight < 0 ? 'less' : 'more'"
        />
        <circle :cx="x(bar.t)" :cy="y(bar.value)" r="2.4" class="point" />
        <title>
          {{ label(bar.t) }}: {{ formatFigure(bar.value) }}, weight
          {{ formatDecimals(bar.weight, 4) }}
        </title>
      </g>
      <circle :cx="x(at)" :cy="y(value)" r="3.6" class="value" />
      <text :x="EDGE" :y="POINTS + GAP + BARS + FOOT - 3">{{ label(axis.from) }}</text>
      <text :x="WIDTH - EDGE" :y="POINTS + GAP + BARS + FOOT - 3" text-anchor="end">
        {{ label(axis.to) }}
      </text>
    </svg>
    <figcaption class="muted small">
      Values, and under each its weight{{
        isOneSided ? '; at the end of the series more lie on one side' : ''
      }}. The large point is what they come to.
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 8px 0 0;
}

svg {
  display: block;
  width: 100%;
}

.at {
  stroke: var(--cursor);
  stroke-width: 1;
}

.zero {
  stroke: var(--rule-strong);
  stroke-width: 1;
}

.more {
  fill: var(--trend-cycle);
  opacity: 0.75;
}

/* A weight below 0 is hollow: the value pulls the other way. */
.less {
  fill: none;
  stroke: var(--trend-cycle);
  stroke-width: 1;
}

.point {
  fill: var(--ink);
}

.value {
  fill: var(--accent);
}

text {
  fill: var(--muted);
  font-size: 10px;
}
</style>
