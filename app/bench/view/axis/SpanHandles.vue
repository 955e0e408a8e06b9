<script setup lang="ts">
import { computed } from 'vue'
import { axisOf } from '~~/core/calendar/axis'
import { useBench } from '../../study/benchStore'
import { useLedger } from '../ledgerStore'
import AxisHandle from './AxisHandle.vue'
import { useAxisHandles } from './axisHandle'
import { xOf, type TimeAxis } from '~~/core/picture/draw/timeAxis'

/** The two ends of the analysed span on the overview, to be dragged or moved by the arrows. */
const props = defineProps<{ axis: TimeAxis }>()
const bench = useBench()
const ledger = useLedger()
/** A span of fewer periods is none to analyse. */
const FEWEST = 3

type End = 'from' | 'to'
const lastT = computed(() => bench.series!.values.length)
const endAt = (end: End) => (end === 'from' ? ledger.firstT : ledger.lastActual)
const hand = useAxisHandles<End>({
  axis: () => props.axis,
  year: () => bench.series!.calendar.seasons,
  at: endAt,
  within: (end, t) =>
    end === 'from'
      ? Math.min(Math.max(t, 1), endAt('to') - FEWEST + 1)
      : Math.max(Math.min(t, lastT.value), endAt('from') + FEWEST - 1),
  take,
})
const { dragged } = hand
const ends = computed(() => ({ from: hand.placeOf.value('from'), to: hand.placeOf.value('to') }))
const handles = computed(() => [
  { end: 'from' as const, t: ends.value.from, left: xOf(props.axis, ends.value.from - 0.5) },
  { end: 'to' as const, t: ends.value.to, left: xOf(props.axis, ends.value.to + 0.5) },
])

function take(end: End, t: number) {
  const code = axisOf(bench.series!).codeAt
  const next = { from: endAt('from'), to: endAt('to'), [end]: t }
  const isWhole = next.from === 1 && next.to === lastT.value
  void bench.changePart({
    span: isWhole ? undefined : { from: code(next.from), to: code(next.to) },
  })
}
</script>

<template>
  <span
    v-if="ends.from > 1"
    class="unused"
    :style="{ left: 0, width: `${xOf(axis, ends.from - 0.5)}px` }"
  />
  <span
    v-if="ends.to < lastT"
    class="unused"
    :style="{
      left: `${xOf(axis, ends.to + 0.5)}px`,
      width: `${xOf(axis, lastT + 0.5) - xOf(axis, ends.to + 0.5)}px`,
    }"
  />
  <AxisHandle
    v-for="{ end, t, left } in handles"
    :id="end"
    :key="end"
    :hand="hand"
    class="handle"
    :class="end"
    :label="end === 'from' ? 'First period analysed' : 'Last period analysed'"
    :tip="end === 'from' ? 'Analyse from here' : 'Analyse up to here'"
    :t="t"
    :least="1"
    :most="lastT"
    :left="left"
  />
  <span v-if="dragged" class="word small" :style="{ left: `${xOf(axis, dragged.t)}px` }">
    {{ ledger.labelAt(dragged.t) }}
  </span>
</template>

<style scoped>
.unused {
  position: absolute;
  top: 0;
  bottom: 0;
  background: color-mix(in srgb, var(--paper) 70%, transparent);
  pointer-events: none;
}

/* A flag on either end, its cloth towards the span. */
.handle {
  position: absolute;
  z-index: 1;
  bottom: -4px;
  width: 10px;
  height: 14px;
  background: var(--ink);
  cursor: ew-resize;
  touch-action: none;
}

.from {
  clip-path: polygon(0 0, 2px 0, 2px 3px, 100% 8px, 2px 13px, 0 100%);
}

.to {
  margin-left: -10px;
  clip-path: polygon(100% 0, 8px 0, 8px 3px, 0 8px, 8px 13px, 100% 100%);
}

.handle:focus-visible {
  background: var(--accent);
}

.word {
  position: absolute;
  z-index: 2;
  top: 100%;
  padding: 0 5px;
  background: var(--sheet);
  pointer-events: none;
  transform: translateX(-50%);
  white-space: nowrap;
}
</style>
