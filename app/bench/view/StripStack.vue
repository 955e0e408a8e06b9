<script setup lang="ts">
import { useLedger } from './ledgerStore'
import { useWindow } from './windowStore'
import { columnWidth, type TimeAxis } from './axis/timeAxis'
import StripView from './strips/StripView.vue'
import type { Strip } from './strips/strips'

/** Strips over one another on one axis, the cursor's column washed through all of them. */
defineProps<{
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

function share(strips: readonly Strip[]): number {
  return strips.reduce((sum, strip) => sum + strip.share, 0)
}
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
    v-for="strip in strips"
    :key="strip.id"
    :strip="strip"
    :axis="axis"
    :scale="ledger.scale"
    :gutter="time.gutter"
    :height="Math.round((height * strip.share) / share(strips))"
    :pointed="pointed"
    :name-at="nameAt"
  />
</template>

<style scoped>
.wash {
  position: absolute;
  top: 0;
  bottom: 34px;
  left: 0;
  background: var(--cursor-wash);
  pointer-events: none;
}
</style>
