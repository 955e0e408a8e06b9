<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { periodLabel } from '~~/core/calendar/labels'
import { periodAt } from '~~/core/calendar/period'
import { peakSpacing } from '~~/core/seasonality/peakSpacing'
import AxisLabels from './axis/AxisLabels.vue'
import { axisTicks } from './axis/axisTicks'
import OverviewStrip from './axis/OverviewStrip.vue'
import { gutterFor } from './axis/gutter'
import { columnWidth, periodUnder, xOf, type Window } from './axis/timeAxis'
import { useBench } from './benchStore'
import FoldedPlane from './fold/FoldedPlane.vue'
import LedgerTable from './ledger/LedgerTable.vue'
import StripView from './strips/StripView.vue'
import SmallMultiples from './inspect/SmallMultiples.vue'
import StageBar from './inspect/StageBar.vue'
import type { Stage } from './path/stages'
import { useInspection } from './inspect/inspectionStore'
import { usePins } from './compare/pinStore'
import { stripsOf } from './strips/stageStrips'
import { useView } from './viewStore'

/** Room at the right edge, so that the last column does not touch the working. */
const RIGHT_MARGIN = 8
/** A pointer that moves less than this is pressed, not dragged. */
const DRAG_FROM_PX = 4
/** Of the line of words under the overview, at the stages that have one. */
const BAR_HEIGHT: Partial<Record<Stage, number>> = { look: 54, smooth: 34, deseasonalize: 34 }
const bench = useBench()
const view = useView()
const inspection = useInspection()
const pins = usePins()
const frame = ref<HTMLElement | null>(null)
const plane = ref<HTMLElement | null>(null)
const frameHeight = ref(640)

const peaks = computed(() =>
  bench.shown && view.stage === 'look'
    ? peakSpacing(bench.shown.columns.value, bench.shown.series.seasons, inspection.halfWidth)
    : null,
)
const strips = computed(() =>
  bench.shown
    ? stripsOf(view.stage, bench.shown, {
        scale: view.scale,
        inspected: view.inspected,
        peaks: peaks.value,
        ghost: pins.ghost?.result ?? null,
        oneScale: view.oneScale,
      })
    : [],
)
const ticks = computed(() => axisTicks(view.axis, bench.series!, view.lastActual))
const shares = computed(() => strips.value.reduce((sum, strip) => sum + strip.share, 0))

/** Strips take the height that overview, labels and ledger leave, within reason. */
const stripsHeight = computed(() => {
  const ledger = Math.min(view.rows.length, 9) * 28
  const bar = BAR_HEIGHT[view.stage] ?? 0
  return Math.max(240, Math.min(560, frameHeight.value - 52 - bar - 34 - 34 - ledger - 16))
})
function heightFor(share: number, all = shares.value): number {
  return Math.round((stripsHeight.value * share) / all)
}
/** Folded, the grid below has a row a year and four of summary. */
function foldedHeightFor(share: number, all: number): number {
  const years = Math.ceil(bench.series!.values.length / bench.series!.calendar.seasons) + 1
  const room = frameHeight.value - 52 - 34 - 22 * Math.min(years + 6, 18)
  return Math.round((Math.max(230, Math.min(420, room)) * share) / all)
}

const zoneLeft = computed(() => {
  const left = xOf(view.axis, view.lastActual + 0.5)
  return view.lastT > view.lastActual && left < view.plotWidth ? Math.max(0, left) : null
})
const cursorLeft = computed(() => {
  if (view.cursor === null) return null
  const left = xOf(view.axis, view.cursor) - columnWidth(view.axis) / 2
  return left > -columnWidth(view.axis) && left < view.plotWidth ? left : null
})

/** The period under the cursor with its time code, which regressions count in. */
const cursorWords = computed(() => {
  const { series } = bench
  if (view.cursor === null || !series) return ''
  const { calendar, start } = series
  return `${periodLabel(periodAt(start, view.cursor, calendar.seasons), calendar)}, t = ${view.cursor}`
})

function onPointer(event: PointerEvent) {
  const x = event.clientX - plane.value!.getBoundingClientRect().left - view.gutter
  if (x < 0 || x > view.plotWidth) return
  if (dragged) return pan(event)
  const t = periodUnder(view.axis, x)
  if (t < view.firstT || t > view.lastT) return
  view.cursor = t
  view.pointed = isOnStrip(event) ? t : null
}

function onLeave() {
  view.cursor = view.selected?.t ?? null
  view.pointed = null
}

/** Strips are dragged and shown values of; the ledger is clicked. */
function isOnStrip(event: Event): boolean {
  return (event.target as HTMLElement).closest('.strip') !== null
}

let dragged: { readonly x: number; readonly window: Window } | null = null

function startDrag(event: PointerEvent) {
  if (event.button !== 0 || !isOnStrip(event)) return
  dragged = { x: event.clientX, window: view.window }
}

function pan(event: PointerEvent) {
  const moved = dragged!.x - event.clientX
  if (Math.abs(moved) < DRAG_FROM_PX) return
  // Only now: a click or double click that never moved belongs to what it was on.
  plane.value!.setPointerCapture(event.pointerId)
  view.pointed = null
  const by = moved / columnWidth(view.axis)
  const { from, to } = dragged!.window
  view.setWindow({ from: from + by, to: to + by })
}

/** Back to the window that the stage is first seen in. */
function onDoubleClick(event: Event) {
  if (isOnStrip(event)) view.showAsAtFirst()
}

/** The wheel with Ctrl zooms around the pointer; sideways it moves the window. */
function onWheel(event: WheelEvent) {
  const x = event.clientX - plane.value!.getBoundingClientRect().left - view.gutter
  if (event.ctrlKey || event.metaKey) {
    event.preventDefault()
    view.zoom(Math.exp(event.deltaY * 0.002), view.axis.from + x / columnWidth(view.axis))
    return
  }
  const sideways = event.shiftKey ? event.deltaY : event.deltaX
  if (sideways === 0) return
  event.preventDefault()
  const by = sideways / columnWidth(view.axis)
  view.setWindow({ from: view.window.from + by, to: view.window.to + by })
}

let observer: ResizeObserver | null = null
onMounted(() => {
  const measure = () => {
    const { clientWidth, clientHeight } = frame.value!
    frameHeight.value = clientHeight
    view.gutter = gutterFor(clientWidth)
    view.plotWidth = Math.max(180, Math.floor(clientWidth - view.gutter - RIGHT_MARGIN))
    view.showForStage()
  }
  measure()
  view.showForStage()
  observer = new ResizeObserver(measure)
  observer.observe(frame.value!)
})
onBeforeUnmount(() => observer?.disconnect())
</script>

<template>
  <div ref="frame" class="frame" :style="{ '--gutter': `${view.gutter}px` }">
    <OverviewStrip />
    <StageBar v-if="bench.shown" :peaks="peaks" />
    <p v-if="bench.refusal" class="refusal" role="alert">
      <strong>Refused.</strong> {{ bench.refusal.because }}
      <span v-if="bench.refusal.remedies.length > 0" class="remedies">
        What would help:
        <v-btn
          v-for="remedy in bench.refusal.remedies"
          :key="remedy.label"
          color="accent"
          @click="bench.changePart(remedy.change)"
        >
          {{ remedy.label }}
        </v-btn>
      </span>
    </p>
    <FoldedPlane v-if="view.folded" :height-for="foldedHeightFor" />
    <SmallMultiples
      v-else-if="view.stage === 'smooth' && inspection.showsMultiples && bench.shown"
    />
    <div
      v-else
      ref="plane"
      class="plane"
      @pointermove="onPointer"
      @pointerleave="onLeave"
      @pointerdown="startDrag"
      @pointerup="dragged = null"
      @pointercancel="dragged = null"
      @dblclick="onDoubleClick"
      @wheel="onWheel"
    >
      <div
        v-if="zoneLeft !== null"
        class="zone"
        :style="{ left: `${view.gutter + zoneLeft}px`, width: `${view.plotWidth - zoneLeft}px` }"
      >
        <span class="zone-word">forecast</span>
      </div>
      <div
        v-if="cursorLeft !== null"
        class="wash"
        :style="{
          transform: `translateX(${view.gutter + cursorLeft}px)`,
          width: `${columnWidth(view.axis)}px`,
        }"
      />
      <StripView
        v-for="strip in strips"
        :key="strip.id"
        :strip="strip"
        :axis="view.axis"
        :scale="view.scale"
        :gutter="view.gutter"
        :height="heightFor(strip.share)"
        :pointed="view.pointed"
      />
      <div class="axis-row">
        <span v-if="cursorWords" class="cursor-words small" aria-hidden="true">
          {{ cursorWords }}
        </span>
        <AxisLabels :ticks="ticks" :cursor="view.cursor" />
      </div>
      <LedgerTable />
      <div class="below">
        <v-btn
          v-if="bench.result"
          class="small"
          :aria-pressed="view.allSteps"
          @click="view.allSteps = !view.allSteps"
        >
          {{ view.allSteps ? 'only the steps of this stage' : 'all steps of the calculation' }}
        </v-btn>
        <v-checkbox-btn
          v-if="strips.some(({ spans }) => spans)"
          v-model="view.oneScale"
          class="one-scale"
          label="all strips on one scale"
        />
        <span class="zoom">
          <v-btn class="small" @click="view.zoom(0.7)">zoom in</v-btn>
          <v-btn class="small" @click="view.zoom(1 / 0.7)"> zoom out </v-btn>
          <v-btn class="small" @click="view.showWhole()"> whole series </v-btn>
          <v-btn class="small" @click="view.showRecent()"> latest periods </v-btn>
        </span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.frame {
  min-width: 0;
  overflow: hidden auto;
}

.plane {
  position: relative;
}

.zone,
.wash {
  position: absolute;
  top: 0;
  bottom: 34px;
  pointer-events: none;
}

.zone {
  background: var(--forecast-zone);
}

.zone-word {
  position: absolute;
  top: 3px;
  left: 6px;
  color: var(--forecast-text);
  font-size: 11px;
  font-style: italic;
}

.wash {
  left: 0;
  background: var(--cursor-wash);
}

.axis-row {
  position: relative;
}

.cursor-words {
  position: absolute;
  top: 5px;
  left: 12px;
  color: var(--muted);
  white-space: nowrap;
}

.refusal {
  margin: 4px 12px 10px;
  padding: 8px 12px;
  border-left: 3px solid var(--danger);
  background: var(--band);
}

.remedies {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 12px;
  margin-top: 4px;
}

.zoom {
  display: flex;
  gap: 6px;
}

.below {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  justify-content: space-between;
  padding: 4px 6px 8px;
}
</style>
