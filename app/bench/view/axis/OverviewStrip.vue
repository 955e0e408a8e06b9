<script setup lang="ts">
import { computed, ref } from 'vue'
import { oneCycle } from '~~/core/calendar/labels'
import type { Value } from '~~/core/series/series'
import { smallPath } from '~/shelf/smallPath'
import { useBeside } from '../../beside/besideStore'
import { useBench } from '../../study/benchStore'
import { useWindow } from '../windowStore'
import { useLedger } from '../ledgerStore'
import SpanHandles from './SpanHandles.vue'
import { xOf, type TimeAxis } from '~~/core/picture/draw/timeAxis'

const HEIGHT = 36
const bench = useBench()
const beside = useBeside()
const time = useWindow()
const ledger = useLedger()
const cycle = computed(() => {
  if (!bench.series) return 'year'
  const { calendar } = bench.series
  return oneCycle({ ...calendar, seasons: beside.foldCycle ?? calendar.seasons })
})
const frame = ref<HTMLElement | null>(null)

/** The whole series on the same width as the strips. */
const axis = computed<TimeAxis>(() => ({ ...time.whole, width: time.plotWidth }))
/** Both lines over all periods, so that they share one scale: the values as used, and the forecast. */
const paths = computed(() => {
  const periods = time.whole.to - 0.5
  const cameIn = bench.series?.values ?? []
  const all = Array.from({ length: periods }, (_, i) => i + 1)
  const used = bench.shown?.columns.value
  const actual: Value[] = all.map((t) => used?.[t - ledger.firstT] ?? cameIn[t - 1] ?? null)
  const ahead = new Map(bench.result?.forecast.t.map((t, i) => [t, i]) ?? [])
  const forecast: Value[] = all.map((t) => {
    const i = ahead.get(t)
    return i === undefined ? null : bench.result!.forecast.forecast[i]!
  })
  const present = [...actual, ...forecast].filter((value) => value !== null)
  const bounds = { low: Math.min(...present), high: Math.max(...present), columns: true }
  const path = (values: Value[]) => smallPath(values, axis.value.width, HEIGHT, bounds)
  return { actual: path(actual), forecast: path(forecast) }
})
const left = computed(() => xOf(axis.value, time.window.from))
const right = computed(() => xOf(axis.value, time.window.to))

type Grip = 'from' | 'to' | 'both'
let drag: { grip: Grip; startX: number; from: number; to: number } | null = null

function onDown(event: PointerEvent, grip: Grip) {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  drag = { grip, startX: event.clientX, ...time.window }
}

function onMove(event: PointerEvent) {
  if (!drag) return
  const by = ((event.clientX - drag.startX) * (time.whole.to - time.whole.from)) / axis.value.width
  const { from, to } = drag
  if (drag.grip === 'both') time.setWindow({ from: from + by, to: to + by })
  else if (drag.grip === 'from') time.setWindow({ from: Math.min(from + by, to - 4), to })
  else time.setWindow({ from, to: Math.max(to + by, from + 4) })
}

/** A click beside the window brings its middle there. */
function jump(event: PointerEvent) {
  const x = event.clientX - frame.value!.getBoundingClientRect().left
  const at = axis.value.from + (x / axis.value.width) * (axis.value.to - axis.value.from)
  const half = (time.window.to - time.window.from) / 2
  time.setWindow({ from: at - half, to: at + half })
}
</script>

<template>
  <div class="overview">
    <div class="side" :style="{ width: `${time.gutter - 12}px` }">
      <span class="muted">whole series</span>
      <v-btn
        v-if="bench.series!.calendar.seasons > 1"
        :data-tip="`Fold the axis by ${cycle} (F)`"
        variant="plain"
        class="fold"
        :aria-pressed="ledger.folded"
        @click="ledger.fold()"
      >
        {{ ledger.folded ? `folded by ${cycle}` : `fold by ${cycle}` }}
      </v-btn>
    </div>
    <div
      ref="frame"
      class="frame"
      :style="{ width: `${time.plotWidth}px`, height: `${HEIGHT}px` }"
      @pointerdown.self="jump"
    >
      <svg :width="time.plotWidth" :height="HEIGHT" aria-hidden="true">
        <path :d="paths.actual" class="actual" />
        <path :d="paths.forecast" class="forecast" />
      </svg>
      <div
        v-show="!ledger.folded"
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
      <SpanHandles v-if="!ledger.folded" :axis="axis" />
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
