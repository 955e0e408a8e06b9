<script setup lang="ts">
import { computed } from 'vue'
import { useLedger } from './ledgerStore'
import { useWindow } from './windowStore'
import { columnWidth, type TimeAxis } from '~~/core/picture/draw/timeAxis'
import StripView from './strips/StripView.vue'
import { heightsOf } from './strips/caption'
import type { Strip } from '~~/core/picture/strips'

/** Strips over one another on one axis, the cursor's column washed through all of them. */
const props = defineProps<{
  strips: readonly Strip[]
  axis: TimeAxis
  /** Pixels that all strips take up together. */
  height: number
  /** Pixels from the left edge of the axis to the cursor's column; null when it is not on it. */
  cursorLeft: number | null
  /** The period under the pointer. */
  pointed?: number | null
  /** What a place on the axis is called, for a picture's summary. */
  nameAt: (x: number) => string
}>()
const ledger = useLedger()
const time = useWindow()
const heights = computed(() =>
  heightsOf(props.strips, props.height, { gutter: time.gutter, plotWidth: props.axis.width }),
)
</script>

<template>
  <div
    v-if="cursorLeft !== null"
    class="wash"
    :style="{
      transform: `translateX(${time.gutter + cursorLeft}px)`,
      width: `${columnWidth(axis)}px`,
    }"
  />
  <StripView
    v-for="(strip, i) in strips"
    :key="strip.id"
    :strip="strip"
    :axis="axis"
    :scale="ledger.scale"
    :gutter="time.gutter"
    :by-window="ledger.scaledBy !== 'series'"
    :height="heights[i]!"
    :pointed="pointed"
    :name-at="nameAt"
    @scaled="i === 0 && time.scaleValues($event)"
  />
</template>

<style scoped>
.wash {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 0;
  background: var(--cursor-wash);
  pointer-events: none;
}
</style>
