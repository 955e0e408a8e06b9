<script setup lang="ts">
import { computed } from 'vue'
import { useBench } from '../study/benchStore'
import { columnWidth, xOf } from '~~/core/picture/draw/timeAxis'
import { valueUnder, yOf } from '../view/axis/valueAxis'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'
import { useWindow } from '../view/windowStore'
import { useHand } from './handStore'

/** On the strip of the forecast: its points, to be dragged up or down; why is asked where it is let go. */
defineProps<{
  /** Pixels from the top of the plane to the chart, and of the chart. */
  top: number
  height: number
}>()
const bench = useBench()
const ledger = useLedger()
const time = useWindow()
const selection = useSelection()
const hand = useHand()

/** Narrower columns than this cannot be taken hold of one by one. */
const NARROWEST = 7
/** An arrow moves a point by this share of it. */
const STEP = 0.01

const points = computed(() => {
  const { result } = bench
  const { axis, valueAxis } = time
  if (!result || bench.frozen || !valueAxis || columnWidth(axis) < NARROWEST) return []
  const { t, forecast } = result.forecast
  return t.flatMap((at, i) => {
    const left = xOf(axis, at)
    if (left < 0 || left > axis.width) return []
    const wished = hand.wish?.t === at ? hand.wish.value : null
    const value = wished ?? forecast[i]!
    return [{ t: at, left, y: yOf(valueAxis, value), value, isWished: wished !== null }]
  })
})
let dragged: number | null = null

function down(event: PointerEvent, t: number) {
  event.stopPropagation()
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  dragged = t
}

function move(event: PointerEvent) {
  if (dragged === null || !time.valueAxis) return
  event.stopPropagation()
  const frame = (event.currentTarget as HTMLElement).parentElement!.getBoundingClientRect()
  draw(dragged, valueUnder(time.valueAxis, event.clientY - frame.top))
}

/** A point that was only pressed is selected. */
function up(event: PointerEvent, t: number) {
  event.stopPropagation()
  dragged = null
  selection.select({ column: 'forecast', t })
  hand.ask()
}

function draw(t: number, value: number) {
  hand.hold({ t, value })
}

function key(event: KeyboardEvent, t: number, value: number) {
  const by = { ArrowUp: STEP, ArrowDown: -STEP }[event.key]
  if (by !== undefined) draw(t, Number((value + Math.abs(value) * by).toPrecision(4)))
  else if (event.key === 'Enter') {
    selection.select({ column: 'forecast', t })
    hand.ask()
  } else if (event.key === 'Escape') hand.hold(null)
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <div
    class="handles"
    :style="{
      top: `${top}px`,
      left: `${time.gutter}px`,
      width: `${time.plotWidth}px`,
      height: `${height}px`,
    }"
  >
    <span
      v-for="{ t, left, y, value, isWished } in points"
      :key="t"
      class="point"
      :class="{ wished: isWished }"
      :style="{ left: `${left}px`, top: `${y}px` }"
      role="slider"
      tabindex="0"
      :aria-label="`Forecast of ${ledger.labelAt(t)}`"
      :aria-valuenow="value"
      :aria-valuetext="`${ledger.onScale(value)} ${ledger.scale.unit}`"
      :data-tip="`${ledger.labelAt(t)}: drag it up or down to bend the forecast`"
      @pointerdown="down($event, t)"
      @pointermove="move"
      @pointerup="up($event, t)"
      @pointercancel="hand.hold(null)"
      @keydown="key($event, t, value)"
      @dblclick.stop
    />
    <span
      v-if="hand.wish && time.valueAxis"
      class="word small"
      :style="{
        left: `${xOf(time.axis, hand.wish.t)}px`,
        top: `${yOf(time.valueAxis, hand.wish.value)}px`,
      }"
      role="status"
    >
      {{ ledger.onScale(hand.wish.value) }}
    </span>
  </div>
</template>

<style scoped>
.handles {
  position: absolute;
  z-index: 1;
  pointer-events: none;
}

/* Larger than it looks, to be caught. */
.point {
  position: absolute;
  width: 14px;
  height: 14px;
  margin: -7px 0 0 -7px;
  border-radius: 50%;
  cursor: ns-resize;
  pointer-events: auto;
  touch-action: none;
}

.point:focus-visible,
.point:hover,
.point.wished {
  box-shadow: inset 0 0 0 1.5px var(--forecast);
  background: var(--sheet);
  outline: none;
}

.word {
  position: absolute;
  padding: 0 5px;
  background: var(--sheet);
  color: var(--forecast-text);
  transform: translate(-50%, -26px);
  white-space: nowrap;
}
</style>
