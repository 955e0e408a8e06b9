<script setup lang="ts">
import { computed } from 'vue'
import type { Component, Mark } from '~~/core/column/column'
import { STROKES } from '~~/core/picture/draw/strokes'

/** A component's mark beside its name, so that it is known without its colour. */
const props = defineProps<{ mark: Mark | 'band'; component: Component; opacity?: number }>()

const CLASSES: Record<Component, string> = {
  original: 'original',
  trendCycle: 'trend-cycle',
  season: 'season',
  irregular: 'irregular',
  deseasonalized: 'deseasonalized',
  forecast: 'forecast',
}
const stroke = computed(() => (props.mark === 'band' ? undefined : STROKES[props.mark]))
</script>

<template>
  <svg
    width="20"
    height="12"
    viewBox="0 0 20 12"
    aria-hidden="true"
    :class="CLASSES[component]"
    :opacity="opacity ?? 1"
  >
    <line
      v-if="stroke"
      x1="1"
      x2="19"
      y1="6"
      y2="6"
      stroke="currentColor"
      :stroke-width="stroke.width"
      :stroke-dasharray="stroke.dash?.join(' ')"
      :stroke-linecap="stroke.cap"
    />
    <circle v-if="mark === 'line-points'" cx="10" cy="6" r="2.2" fill="currentColor" />
    <circle
      v-if="mark === 'rings'"
      cx="10"
      cy="6"
      r="4"
      fill="none"
      stroke="currentColor"
      stroke-width="1.3"
    />
    <circle v-if="mark === 'dots'" cx="10" cy="6" r="2.6" fill="currentColor" />
    <path v-if="mark === 'peaks'" d="M10 10 L5.5 3 H14.5 Z" fill="currentColor" />
    <path v-if="mark === 'troughs'" d="M10 2 L5.5 9 H14.5 Z" fill="currentColor" />
    <rect
      v-if="mark === 'band'"
      x="1"
      y="2"
      width="18"
      height="8"
      fill="currentColor"
      opacity="0.3"
    />
    <rect v-if="mark === 'bars'" x="6" y="2" width="7" height="9" fill="currentColor" />
    <template v-if="mark === 'stems'">
      <line x1="10" x2="10" y1="3" y2="11" stroke="currentColor" stroke-width="1.6" />
      <circle cx="10" cy="3" r="2.2" fill="currentColor" />
    </template>
  </svg>
</template>

<style scoped>
svg {
  flex: none;
}

.original {
  color: var(--original);
}

.trend-cycle {
  color: var(--trend-cycle);
}

.season {
  color: var(--season);
}

.irregular {
  color: var(--irregular);
}

.deseasonalized {
  color: var(--deseasonalized);
}

.forecast {
  color: var(--forecast);
}
</style>
