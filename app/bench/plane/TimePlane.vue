<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { later } from '~/shell/later'
import { useBeside } from '../beside/besideStore'
import { PARTS } from '../stages/panels'
import StageBar from '../stages/StageBar.vue'
import { stageOf } from '../stage/stages'
import { useBench } from '../study/benchStore'
import AxisLabels from '../view/axis/AxisLabels.vue'
import { axisTicks } from '~~/core/picture/draw/axisTicks'
import { gutterFor } from '../view/axis/gutter'
import OverviewStrip from '../view/axis/OverviewStrip.vue'
import { columnWidth, xOf } from '~~/core/picture/draw/timeAxis'
import LedgerTable from '../view/ledger/LedgerTable.vue'
import { useLedger } from '../view/ledgerStore'
import { usePlanePointer } from '../view/planePointer'
import FailureNotice from '../view/FailureNotice.vue'
import PlaneActions from '../view/PlaneActions.vue'
import { usePlaneStrips } from '../view/strips/planeStrips'
import RefusalNotice from '../view/RefusalNotice.vue'
import { useSelection } from '../view/selectionStore'
import { captionHeight, heightsOf, isNamedOver } from '../view/strips/caption'
import StripStack from '../view/StripStack.vue'
import { useWindow } from '../view/windowStore'

// Loaded when they are first wanted.
const SmallMultiples = later(() => import('../stages/smooth/SmallMultiples.vue'))
const FoldedPlane = later(() => import('../view/fold/FoldedPlane.vue'))
const MarkedStretch = later(() => import('../view/MarkedStretch.vue'))

/** Pixels a strip takes on average at the least, so that its name and legend have room. */
const LEAST_STRIP = 94
/** Pixels of the word over the forecast. */
const ZONE_WORD_PX = 54
/** Room at the right edge, so that the last column does not touch the working. */
const RIGHT_MARGIN = 8
const bench = useBench()
const ledger = useLedger()
const time = useWindow()
const selection = useSelection()
const beside = useBeside()
const frame = ref<HTMLElement | null>(null)
const plane = ref<HTMLElement | null>(null)
const frameHeight = ref(640)
const pointer = usePlanePointer(plane)

const { peaks, strips } = usePlaneStrips()
const showsMultiples = computed(
  () => ledger.stage === 'smooth' && beside.showsMultiples && bench.shown !== null,
)
/** Strips and ledger, and not years laid over each other or small pictures. */
const showsPlane = computed(() => !ledger.folded && !showsMultiples.value)
// A refused method forecasts nothing, whatever lies behind its span.
const ticks = computed(() =>
  axisTicks(time.axis, bench.series!, bench.result ? ledger.lastActual : Infinity),
)

/** Strips take the height that overview, labels and ledger leave, within reason. */
const stripsHeight = computed(() => {
  const rows = Math.min(ledger.rows.length, 9) * 28
  const { barHeight } = stageOf(ledger.stage)
  const room = frameHeight.value - 52 - barHeight - 34 - 34 - rows - 16
  return Math.max(LEAST_STRIP * strips.value.length, 240, Math.min(560, room))
})
/** Where the chart of the first strip stands, in pixels of the plane. */
const firstChart = computed(() => {
  const room = { gutter: time.gutter, plotWidth: time.plotWidth }
  const [strip] = strips.value
  if (!strip) return { top: 0, height: 0 }
  const top = isNamedOver(room) ? captionHeight(strip, room) : 0
  return { top, height: heightsOf(strips.value, stripsHeight.value, room)[0]! - top }
})
/** Folded, the grid below has a row a year and four of summary. */
const foldedHeight = computed(() => {
  const years = Math.ceil(bench.series!.values.length / bench.series!.calendar.seasons) + 1
  const room = frameHeight.value - 52 - 34 - 22 * Math.min(years + 6, 18)
  return Math.max(230, Math.min(420, room))
})

/** Left edge and width of a stretch of the axis in pixels of the plane; null when it is out of sight. */
function placeOf(from: number, to: number) {
  const left = Math.max(0, xOf(time.axis, from - 0.5))
  const right = Math.min(time.plotWidth, xOf(time.axis, to + 0.5))
  return left < right ? { left: time.gutter + left, width: right - left } : null
}
const pixels = ({ left, width }: { left: number; width: number }) => ({
  left: `${left}px`,
  width: `${width}px`,
})
const zone = computed(() =>
  ledger.lastT > ledger.lastActual ? placeOf(ledger.lastActual + 1, ledger.lastT) : null,
)
const marked = computed(() =>
  selection.marked ? placeOf(selection.marked.from, selection.marked.to) : null,
)
const cursorLeft = computed(() => {
  if (selection.cursor === null) return null
  const width = columnWidth(time.axis)
  const left = xOf(time.axis, selection.cursor) - width / 2
  return left > -width && left < time.plotWidth ? left : null
})

/** The period under the cursor with its time code, which regressions count in. */
const cursorWords = computed(() =>
  selection.cursor === null || !bench.series
    ? ''
    : `${ledger.labelAt(selection.cursor)}, t = ${selection.cursor}`,
)

let observer: ResizeObserver | null = null
onMounted(() => {
  const measure = () => {
    const { clientWidth, clientHeight } = frame.value!
    frameHeight.value = clientHeight
    time.gutter = gutterFor(clientWidth)
    time.plotWidth = Math.max(180, Math.floor(clientWidth - time.gutter - RIGHT_MARGIN))
    time.showForStage()
  }
  measure()
  observer = new ResizeObserver(measure)
  observer.observe(frame.value!)
})
onBeforeUnmount(() => observer?.disconnect())
</script>

<template>
  <div
    ref="frame"
    class="frame"
    :class="{ old: bench.failed !== '' }"
    :style="{ '--gutter': `${time.gutter}px` }"
  >
    <OverviewStrip />
    <StageBar v-if="bench.shown" :peaks="peaks" />
    <FailureNotice v-if="bench.failed" />
    <RefusalNotice v-if="bench.refusal && !bench.failed" :refusal="bench.refusal" />
    <FoldedPlane v-if="ledger.folded" :height="foldedHeight" />
    <SmallMultiples v-else-if="showsMultiples" />
    <div
      v-else
      ref="plane"
      class="plane"
      data-area="strips"
      tabindex="-1"
      @pointermove="pointer.move"
      @pointerleave="pointer.leave"
      @pointerdown="pointer.press"
      @pointerup="pointer.release"
      @pointercancel="pointer.release"
      @dblclick="pointer.back"
      @wheel="pointer.wheel"
    >
      <div v-if="zone" class="zone" :style="pixels(zone)">
        <span
          v-if="zone.width > ZONE_WORD_PX"
          class="zone-word"
          :style="{ top: `${firstChart.top + 3}px` }"
          >forecast</span
        >
      </div>
      <div v-if="marked" class="marked" :style="pixels(marked)" />
      <StripStack
        :strips="strips"
        :axis="time.axis"
        :height="stripsHeight"
        :cursor-left="cursorLeft"
        :pointed="selection.pointed"
        :name-at="ledger.labelAt"
      />
      <component
        :is="PARTS[ledger.stage].overlay"
        v-if="bench.result && PARTS[ledger.stage].overlay"
        v-bind="firstChart"
      />
      <div class="axis-row">
        <span v-if="cursorWords" class="cursor-words small" aria-hidden="true">
          {{ cursorWords }}
        </span>
        <AxisLabels :ticks="ticks" :cursor="selection.cursor" />
      </div>
      <MarkedStretch v-if="selection.marked" :marked="selection.marked" />
      <LedgerTable />
    </div>
    <PlaneActions v-if="showsPlane" />
  </div>
</template>

<style scoped>
/* Figures of an earlier method. */
.old .plane {
  filter: grayscale(1);
  opacity: 0.55;
}

.frame {
  min-width: 0;
  overflow: hidden auto;
}

.plane {
  position: relative;
}

.zone,
.marked {
  position: absolute;
  top: 0;
  bottom: 0;
  pointer-events: none;
}

.zone {
  background: var(--forecast-zone);
}

.marked {
  border: solid var(--ink);
  border-width: 0 1.5px;
  background: var(--cursor-wash);
}

.zone-word {
  position: absolute;
  left: 6px;
  color: var(--forecast-text);
  font-size: 11px;
  font-style: italic;
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
</style>
