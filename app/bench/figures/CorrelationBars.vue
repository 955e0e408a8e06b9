<script setup lang="ts">
import { computed } from 'vue'
import TermWord from '~/shell/TermWord.vue'
import type { TermName } from '~~/core/glossary/glossary'
import { formatDecimals } from '~/figures/format'

/** Autocorrelations from lag 1 as bars around 0, with the band in which noise stays. */
const props = defineProps<{
  title: string
  term: TermName
  values: readonly number[]
  limit: number
  /** Lags marked below, every so many: a season. */
  every: number
}>()
const WIDTH = 296
const HEIGHT = 62
const FOOT = 13

const step = computed(() => WIDTH / props.values.length)
const y = (value: number) => (HEIGHT / 2) * (1 - Math.max(-1, Math.min(1, value)))
const marked = computed(() => {
  const apart = props.every > 1 ? props.every : Math.max(1, Math.round(props.values.length / 4))
  return props.values.map((_, i) => i + 1).filter((lag) => lag % apart === 0)
})
const words = computed(() => {
  const beyond = props.values.flatMap((value, i) => (Math.abs(value) > props.limit ? [i + 1] : []))
  return beyond.length === 0
    ? 'none beyond what noise gives'
    : `beyond noise at ${beyond.length === 1 ? 'lag' : 'lags'} ${beyond.slice(0, 8).join(', ')}${beyond.length > 8 ? ` and ${beyond.length - 8} more` : ''}`
})
</script>

<template>
  <figure class="correlation">
    <figcaption>
      <TermWord :of="term">{{ title }}</TermWord>
      <span class="muted small range">−1 to 1 by lag; {{ words }}</span>
    </figcaption>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT + FOOT}`"
      role="img"
      :aria-label="`${title}: ${words}. At lag 1 ${formatDecimals(values[0] ?? 0, 2)}.`"
    >
      <rect x="0" :y="y(limit)" :width="WIDTH" :height="y(-limit) - y(limit)" class="noise" />
      <line x1="0" :x2="WIDTH" :y1="y(0)" :y2="y(0)" class="zero" />
      <rect
        v-for="(value, i) in values"
        :key="i"
        :x="i * step + step * 0.2"
        :y="Math.min(y(value), y(0))"
        :width="Math.max(1, step * 0.6)"
        :height="Math.max(0.5, Math.abs(y(value) - y(0)))"
        :class="Math.abs(value) > limit ? 'beyond' : 'within'"
      >
        <title>lag {{ i + 1 }}: {{ formatDecimals(value, 3) }}</title>
      </rect>
      <text
        v-for="lag in marked"
        :key="lag"
        :x="(lag - 0.5) * step"
        :y="HEIGHT + FOOT - 3"
        text-anchor="middle"
      >
        {{ lag }}
      </text>
    </svg>
  </figure>
</template>

<style scoped>
.correlation {
  margin: 8px 0 0;
}

figcaption {
  font-size: 12px;
}

.range {
  margin-left: 5px;
}

svg {
  display: block;
  width: 100%;
}

.noise {
  fill: var(--rule);
  opacity: 0.6;
}

.zero {
  stroke: var(--rule-strong);
}

.within {
  fill: var(--muted);
  opacity: 0.6;
}

.beyond {
  fill: var(--irregular);
}

text {
  fill: var(--muted);
  font-size: 11px;
}
</style>
