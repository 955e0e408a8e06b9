<script setup lang="ts">
import { onBeforeUnmount, onMounted, shallowRef } from 'vue'

/**
 * The one tooltip of the page: whatever carries `data-tip` says it when the pointer rests on it or the keyboard
 * is on it; an empty one says the name it is read out by. A tooltip for each of a few hundred cells would take
 * longer to make than the cells.
 */
const RESTS_FOR_MS = 350
const tip = shallowRef<{ readonly text: string; readonly of: HTMLElement } | null>(null)
let timer: ReturnType<typeof setTimeout> | undefined

function onOver(event: Event) {
  const of = (event.target as Element | null)?.closest<HTMLElement>('[data-tip]') ?? null
  if (of === tip.value?.of) return
  clearTimeout(timer)
  tip.value = null
  // What was clicked has the keyboard too, and is being used: a tip would lie over what comes of it.
  if (event.type === 'focusin' && !of?.matches(':focus-visible')) return
  if (of && textOf(of)) timer = setTimeout(() => show(of), RESTS_FOR_MS)
}

function show(of: HTMLElement) {
  if (of.isConnected) tip.value = { of, text: textOf(of) }
}

function textOf(of: HTMLElement): string {
  return of.dataset.tip || (of.getAttribute('aria-label') ?? '')
}

function hide() {
  clearTimeout(timer)
  tip.value = null
}

const EVENTS: readonly (readonly [string, (event: Event) => void])[] = [
  ['pointerover', onOver],
  ['focusin', onOver],
  ['pointerdown', hide],
  ['keydown', hide],
  ['scroll', hide],
]
onMounted(() => EVENTS.forEach(([name, act]) => addEventListener(name, act, true)))
onBeforeUnmount(() => {
  hide()
  EVENTS.forEach(([name, act]) => removeEventListener(name, act, true))
})
</script>

<template>
  <v-tooltip
    v-if="tip"
    :key="tip.text"
    :model-value="true"
    :target="tip.of"
    :text="tip.text"
    :open-on-hover="false"
    location="bottom"
  />
</template>
