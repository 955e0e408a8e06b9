<script setup lang="ts" generic="Id">
import { useLedger } from '../ledgerStore'
import type { useAxisHandles } from './axisHandle'

/** A place on the time axis to be taken hold of, by the pointer or by the arrows; its looks are its owner's. */
defineProps<{
  hand: ReturnType<typeof useAxisHandles<Id>>
  id: Id
  label: string
  tip: string
  /** Time codes: where it stands, and how far it can go. */
  t: number
  least: number
  most: number
  /** Pixels from the left edge of the axis. */
  left: number
}>()
const ledger = useLedger()
</script>

<template>
  <span
    :style="{ left: `${left}px` }"
    :data-tip="tip"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuemin="least"
    :aria-valuemax="most"
    :aria-valuenow="t"
    :aria-valuetext="ledger.labelAt(t)"
    @pointerdown="hand.down($event, id)"
    @pointermove="hand.move"
    @pointerup="hand.up"
    @pointercancel="hand.cancel"
    @keydown="hand.key($event, id)"
  />
</template>
