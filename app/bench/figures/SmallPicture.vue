<script setup lang="ts">
import { computed } from 'vue'
import { smallPath } from '~/shelf/smallPath'
import type { Value } from '~~/core/series/series'

/** One line of a small picture; its kind is a component of the series, or its actual values. */
export interface SmallLine {
  readonly kind:
    | 'sales'
    | 'trendCycle'
    | 'season'
    | 'irregular'
    | 'deseasonalized'
    | 'fit'
    | 'forecast'
    | 'limit'
    | 'member1'
    | 'member2'
    | 'member3'
  readonly values: readonly Value[]
}

/** A few lines without axes, on a scale that pictures beside it share. */
const props = defineProps<{
  lines: readonly SmallLine[]
  bounds: { readonly low: number; readonly high: number }
  width: number
  height: number
  /** What it shows, in words; a picture that is said beside it has none. */
  label?: string
  /** Place of the value that is pointed at, from 0; it is marked. */
  pointed?: number | null
}>()
/** The place under the pointer; null when it leaves. */
const emit = defineEmits<{ point: [place: number | null] }>()

const count = computed(() => props.lines[0]?.values.length ?? 0)

function onMove(event: PointerEvent) {
  const { left, width } = (event.currentTarget as Element).getBoundingClientRect()
  const place = Math.floor(((event.clientX - left) / width) * count.value)
  if (place >= 0 && place < count.value) emit('point', place)
}

const paths = computed(() =>
  props.lines.map(({ kind, values }) => ({
    kind,
    d: smallPath(values, props.width, props.height, { ...props.bounds, columns: true }),
  })),
)
/** Where 0 stands, when figures lie on both sides of it. */
const zero = computed(() => {
  const { low, high } = props.bounds
  return low < 0 && high > 0 ? (high / (high - low)) * (props.height - 4) + 2 : null
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    preserveAspectRatio="none"
    :height="height"
    :role="label ? 'img' : undefined"
    :aria-label="label"
    :aria-hidden="label ? undefined : true"
    @pointermove="onMove"
    @pointerleave="emit('point', null)"
  >
    <rect
      v-if="pointed !== null && pointed !== undefined"
      class="pointed"
      :x="(pointed * width) / count"
      y="0"
      :width="Math.max(width / count, 1.5)"
      :height="height"
    />
    <line v-if="zero !== null" x1="0" :x2="width" :y1="zero" :y2="zero" class="zero" />
    <path v-for="({ kind, d }, i) in paths" :key="i" :d="d" :class="kind" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
}

path {
  fill: none;
  vector-effect: non-scaling-stroke;
}

.pointed {
  fill: var(--cursor-wash);
}

.zero {
  stroke: var(--rule-strong);
  vector-effect: non-scaling-stroke;
}

.sales {
  stroke: var(--original);
  stroke-width: 0.8;
  opacity: 0.4;
}

.trendCycle {
  stroke: var(--trend-cycle);
  stroke-width: 2.1;
}

.season {
  stroke: var(--season);
  stroke-width: 1.3;
}

.irregular {
  stroke: var(--irregular);
  stroke-width: 1.3;
}

.deseasonalized {
  stroke: var(--deseasonalized);
  stroke-width: 1.5;
}

.fit,
.forecast {
  stroke: var(--forecast);
  stroke-dasharray: 5 3;
  stroke-width: 1.5;
}

.limit {
  stroke: var(--forecast);
  stroke-width: 0.8;
  opacity: 0.6;
}

/* Methods of a combination: told apart by pattern, not by colour alone. */
.member1,
.member2,
.member3 {
  stroke: var(--ink);
  stroke-width: 1;
  opacity: 0.7;
}

.member2 {
  stroke-dasharray: 1.5 2.5;
}

.member3 {
  stroke-dasharray: 7 2 1.5 2;
}
</style>
