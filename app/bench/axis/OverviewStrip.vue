<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Value } from '~~/core/series/series'
import { smallPath } from '~/shelf/smallPath'
import { useBench } from '../benchStore'
import { useView } from '../viewStore'
import { xOf, type TimeAxis } from './timeAxis'

const HEIGHT = 36
const bench = useBench()
const view = useView()
const frame = ref<HTMLElement | null>(null)

/** The whole series on the same width as the strips. */
const axis = computed<TimeAxis>(() => ({ ...view.whole, width: view.plotWidth }))
const actual = computed(
  () =>
    bench.shown?.columns.value ??
    bench.series?.values.slice(view.firstT - 1, view.lastActual) ??
    [],
)
const paths = computed(() => {
  const ahead = bench.result?.forecast.forecast ?? []
  const blank = (count: number): Value[] => Array<Value>(count).fill(null)
  // Both lines are drawn over all periods, so that they share one vertical scale.
  const all = [...actual.value, ...ahead]
  const low = Math.min(...all.filter((value) => value !== null))
  const high = Math.max(...all.filter((value) => value !== null))
  const path = (values: Value[]) =>
    smallPath(values, axis.value.width, HEIGHT, { low, high, columns: true })
  return {
    actual: path([...actual.value, ...blank(ahead.length)]),
    forecast: path([...blank(actual.value.length), ...ahead]),
  }
})
const left = computed(() => xOf(axis.value, view.window.from))
const right = computed(() => xOf(axis.value, view.window.to))

type Grip = 'from' | 'to' | 'both'
let drag: { grip: Grip; startX: number; from: number; to: number } | null = null

function onDown(event: PointerEvent, grip: Grip) {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  drag = { grip, startX: event.clientX, ...view.window }
}

function onMove(event: PointerEvent) {
  if (!drag) return
  const by = ((event.clientX - drag.startX) * (view.whole.to - view.whole.from)) / axis.value.width
  const { from, to } = drag
  if (drag.grip === 'both') view.setWindow({ from: from + by, to: to + by })
  else if (drag.grip === 'from') view.setWindow({ from: Math.min(from + by, to - 4), to })
  else view.setWindow({ from, to: Math.max(to + by, from + 4) })
}

/** A click beside the window brings its middle there. */
function jump(event: PointerEvent) {
  const x = event.clientX - frame.value!.getBoundingClientRect().left
  const at = axis.value.from + (x / axis.value.width) * (axis.value.to - axis.value.from)
  const half = (view.window.to - view.window.from) / 2
  view.setWindow({ from: at - half, to: at + half })
}
</script>

<template>
  <div class="overview">
    <div class="side" :style="{ width: `${view.gutter - 12}px` }">
      <span class="muted">whole series</span>
      <v-btn
        v-if="bench.series!.calendar.seasons > 1"
        variant="plain"
        class="fold"
        :aria-pressed="view.folded"
        title="Fold the axis by year (F)"
        @click="view.fold()"
      >
        {{ view.folded ? 'folded by year' : 'fold by year' }}
      </v-btn>
    </div>
    <div
      ref="frame"
      class="frame"
      :style="{ width: `${view.plotWidth}px`, height: `${HEIGHT}px` }"
      @pointerdown.self="jump"
    >
      <svg :width="view.plotWidth" :height="HEIGHT" aria-hidden="true">
        <path :d="paths.actual" class="actual" />
        <path :d="paths.forecast" class="forecast" />
      </svg>
      <div
        v-show="!view.folded"
        class="window"
        :style="{ left: `${left}px`, width: `${right - left}px` }"
        @pointerdown="onDown($event, 'both')"
        @pointermove="onMove"
        @pointerup="drag = null"
        @pointercancel="drag = null"
      >
        <span
          class="edge start"
          @pointerdown.stop="onDown($event, 'from')"
          @pointermove.stop="onMove"
          @pointerup.stop="drag = null"
        />
        <span
          class="edge end"
          @pointerdown.stop="onDown($event, 'to')"
          @pointermove.stop="onMove"
          @pointerup.stop="drag = null"
        />
      </div>
    </div>
  </div>
</template>

<style scoped>
.overview {
  display: flex;
  gap: 12px;
  padding: 8px 0;
}

.side {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
  font-size: 11px;
  line-height: 1.4;
}

.fold {
  padding: 0;
  border: 0;
  background: none;
  color: var(--accent);
  font: inherit;
  text-decoration: underline;
  text-underline-offset: 2px;
  cursor: pointer;
}

.fold[aria-pressed='true'] {
  font-weight: 700;
  text-decoration: none;
}

.frame {
  position: relative;
  box-sizing: border-box;
  background: var(--sheet);
  outline: 1px solid var(--rule);
}

svg {
  position: absolute;
  pointer-events: none;
}

path {
  fill: none;
  stroke-width: 1;
}

.actual {
  stroke: var(--original);
}

.forecast {
  stroke: var(--forecast);
  stroke-dasharray: 3 2;
}

.window {
  position: absolute;
  top: 0;
  bottom: 0;
  box-sizing: border-box;
  border: 1.5px solid var(--accent);
  border-radius: 2px;
  background: color-mix(in srgb, var(--accent) 9%, transparent);
  cursor: grab;
  touch-action: none;
}

.window:active {
  cursor: grabbing;
}

.edge {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 9px;
  cursor: ew-resize;
  touch-action: none;
}

.start {
  left: -5px;
}

.end {
  right: -5px;
}
</style>
