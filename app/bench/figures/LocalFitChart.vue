<script setup lang="ts">
import { computed } from 'vue'
import { formatFigure, formatPeriodCode } from '~/figures/format'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { LocalFitPicture } from '~~/core/column/localFit'
import type { Result } from '~~/core/result'

/** A local regression drawn over what it is fitted to; a point is as large as its weight. */
const props = defineProps<{ fit: LocalFitPicture; result: Result }>()
const WIDTH = 296
const HEIGHT = 110
const EDGE = 9
const FOOT = 14

const bounds = computed(() => {
  const { points, line, at } = props.fit
  const ts = [...points.map(({ t }) => t), at]
  const values = [...points, ...line].map(({ value }) => value)
  return {
    from: Math.min(...ts),
    to: Math.max(...ts),
    low: Math.min(...values),
    high: Math.max(...values),
  }
})
function x(t: number): number {
  const { from, to } = bounds.value
  return EDGE + ((t - from) / (to - from || 1)) * (WIDTH - 2 * EDGE)
}
function y(value: number): number {
  const { low, high } = bounds.value
  return HEIGHT - EDGE - ((value - low) / (high - low || 1)) * (HEIGHT - 2 * EDGE)
}
const path = computed(() =>
  props.fit.line.map(({ t, value }, i) => `${i === 0 ? 'M' : 'L'}${x(t)} ${y(value)}`).join(''),
)
const period = (t: number) => {
  const { columns } = props.result
  const code = columns.period[Math.round(t) - columns.t[0]!]
  return code ? formatPeriodCode(code, calendarOfResult(props.result)) : ''
}
const counted = computed(() => props.fit.points.filter(({ weight }) => weight > 0).length)
const believedLess = computed(() =>
  props.fit.points.filter(({ weight, t }) => weight === 0 && Math.abs(t - props.fit.at) > 0),
)
</script>

<template>
  <figure class="fit">
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT + FOOT}`"
      role="img"
      :aria-label="`Local fit around ${period(fit.at)} through ${counted} values with weight; it comes to ${formatFigure(fit.value)}`"
    >
      <line :x1="x(fit.at)" :x2="x(fit.at)" :y1="0" :y2="HEIGHT" class="at" />
      <circle
        v-for="point in fit.points"
        :key="point.t"
        :cx="x(point.t)"
        :cy="y(point.value)"
        :r="point.weight === 0 ? 2.2 : 1.4 + 3 * Math.sqrt(point.weight)"
        :class="point.weight === 0 ? 'none' : 'point'"
      >
        <title>
          {{ period(point.t) }}: {{ formatFigure(point.value) }}, weight
          {{ formatFigure(point.weight) }}
        </title>
      </circle>
      <path :d="path" class="line" />
      <circle :cx="x(fit.at)" :cy="y(fit.value)" r="3.4" class="value" />
      <text :x="EDGE" :y="HEIGHT + FOOT - 3">{{ period(bounds.from) }}</text>
      <text :x="WIDTH - EDGE" :y="HEIGHT + FOOT - 3" text-anchor="end">
        {{ period(bounds.to) }}
      </text>
    </svg>
    <figcaption class="muted small">
      A local {{ fit.degree === 1 ? 'line' : 'level' }}, window {{ fit.window }}:
      {{ counted }} values with weight, larger points count more{{
        believedLess.length > 0 ? '; open ones do not count' : ''
      }}.
    </figcaption>
  </figure>
</template>

<style scoped>
.fit {
  margin: 10px 0 0;
}

svg {
  display: block;
  width: 100%;
  border-top: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
}

.at {
  stroke: var(--cursor);
  stroke-width: 5;
  opacity: 0.3;
}

.point {
  fill: var(--original);
  opacity: 0.6;
}

.none {
  fill: none;
  stroke: var(--original);
  opacity: 0.6;
}

.line {
  fill: none;
  stroke: var(--trend-cycle);
  stroke-width: 2.2;
}

.value {
  fill: var(--accent);
}

text {
  fill: var(--muted);
  font-size: 11px;
}
</style>
