<script setup lang="ts">
import { computed } from 'vue'
import { axisOf } from '~~/core/calendar/axis'
import { forecastWayOf } from '~~/core/forecast/ways'
import { breakChange } from '~~/core/trend/formChange'
import { useBench } from '../../study/benchStore'
import AxisHandle from '../../view/axis/AxisHandle.vue'
import { useAxisHandles } from '../../view/axis/axisHandle'
import { xOf, type TimeAxis } from '~~/core/picture/draw/timeAxis'
import { useLedger } from '../../view/ledgerStore'
import { useWindow } from '../../view/windowStore'

/** On the strip of the trend: where it breaks, and the first period it is fitted to, to be dragged. */
defineProps<{
  /** Pixels from the top of the plane to the chart, and of the chart. */
  top: number
  height: number
}>()
const bench = useBench()
const ledger = useLedger()
const time = useWindow()
const axis = computed<TimeAxis>(() => time.axis)
/** A forecast with a level of its own has no use for them. */
const isShown = computed(
  () =>
    bench.result !== null &&
    !bench.frozen &&
    !forecastWayOf(bench.result.method.forecast.by).hasOwnTrend,
)
/** A trend of fewer periods is none. */
const FEWEST = 4

/** A break by its place in the list, or where the fit begins. */
type Handle = number | 'from'
const breaks = computed(() => {
  const { tOfCode } = axisOf(bench.series!)
  return (bench.result?.method.trend.breaks ?? []).map((one) => ({
    ...one,
    t: tOfCode(one.period)!,
  }))
})
const from = computed(() => bench.result?.trendFit.from ?? ledger.firstT)
const codeAt = (t: number) => axisOf(bench.series!).codeAt(t)

const hand = useAxisHandles<Handle>({
  axis: () => time.axis,
  year: () => bench.series!.calendar.seasons,
  at: (id) => (id === 'from' ? from.value : breaks.value[id]!.t),
  within: (id, t) => {
    if (id === 'from') {
      const next = breaks.value[0]?.t ?? Infinity
      return Math.max(ledger.firstT, Math.min(t, ledger.lastActual - FEWEST + 1, next - 1))
    }
    const before = breaks.value[id - 1]?.t ?? from.value
    const after = breaks.value[id + 1]?.t ?? ledger.lastActual
    return Math.max(before + 1, Math.min(t, after - 1))
  },
  take: (id, t) => {
    if (id === 'from') {
      const last = t === ledger.firstT ? undefined : ledger.lastActual - t + 1
      void bench.changePart({ trend: { last } })
      return
    }
    const moved = breaks.value.map(({ period, level }, i) => ({
      period: i === id ? codeAt(t) : period,
      level,
    }))
    void bench.changePart(breakChange(moved))
  },
})
const { dragged } = hand
const handles = computed(() => {
  const ids: Handle[] = ['from', ...breaks.value.map((_, i) => i)]
  return ids.map((id) => {
    const t = hand.placeOf.value(id)
    const left = xOf(axis.value, id === 'from' ? t - 0.5 : t)
    const level = id !== 'from' && breaks.value[id]!.level
    return {
      id,
      t,
      left,
      name: id === 'from' ? 'The trend is fitted from here' : level ? 'Step and bend' : 'Bend',
      isIn: left >= 0 && left <= time.plotWidth,
    }
  })
})
</script>

<template>
  <div
    v-if="isShown"
    class="handles"
    :style="{
      top: `${top}px`,
      left: `${time.gutter}px`,
      width: `${time.plotWidth}px`,
      height: `${height}px`,
    }"
  >
    <AxisHandle
      v-for="{ id, t, left, name, isIn } in handles"
      v-show="isIn"
      :id="id"
      :key="id"
      :hand="hand"
      class="handle"
      :class="{ from: id === 'from' }"
      :label="id === 'from' ? 'First period of the trend' : `Break ${id + 1} of ${breaks.length}`"
      :tip="`${name}, ${ledger.labelAt(t)}: drag it`"
      :t="t"
      :least="ledger.firstT"
      :most="ledger.lastActual"
      :left="left"
      @dblclick.stop
    />
    <span
      v-if="dragged"
      class="word small"
      :style="{ left: `${xOf(axis, dragged.t)}px` }"
      role="status"
    >
      {{ ledger.labelAt(dragged.t) }}
    </span>
  </div>
</template>

<style scoped>
.handles {
  position: absolute;
  z-index: 1;
  pointer-events: none;
}

/* A thin line through the strip with a grip at its foot; wider than it looks, to be caught. */
.handle {
  position: absolute;
  top: 26px;
  bottom: 0;
  width: 13px;
  margin-left: -6.5px;
  background:
    linear-gradient(var(--deseasonalized), var(--deseasonalized)) center bottom / 9px 9px no-repeat,
    repeating-linear-gradient(var(--deseasonalized) 0 4px, transparent 4px 7px) center / 1px 100%
      no-repeat;
  cursor: ew-resize;
  pointer-events: auto;
  touch-action: none;
}

.from {
  background:
    linear-gradient(var(--ink), var(--ink)) center bottom / 9px 9px no-repeat,
    repeating-linear-gradient(var(--ink) 0 1px, transparent 1px 4px) center / 1px 100% no-repeat;
}

.handle:focus-visible,
.handle:hover {
  outline: 1px solid var(--accent);
  outline-offset: -1px;
}

.word {
  position: absolute;
  top: 22px;
  padding: 0 5px;
  background: var(--sheet);
  transform: translateX(-50%);
  white-space: nowrap;
}
</style>
