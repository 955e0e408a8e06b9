<script setup lang="ts">
import type { AxisTick } from '~~/core/picture/draw/axisTick'

defineProps<{ ticks: readonly AxisTick[]; cursor: number | null }>()
</script>

<template>
  <div class="axis" aria-hidden="true">
    <span
      v-for="tick in ticks"
      :key="tick.t"
      class="tick"
      :class="{ 'year-start': tick.isYearStart, forecast: tick.isForecast, at: tick.t === cursor }"
      :style="{ transform: `translateX(${tick.x}px)` }"
    >
      <span class="label">{{ tick.season }}<br v-if="tick.season" />{{ tick.year }}</span>
    </span>
  </div>
</template>

<style scoped>
.axis {
  position: relative;
  height: 34px;
  margin-left: var(--gutter);
  overflow: hidden;
  font-size: 11px;
  line-height: 1.35;
}

.tick {
  position: absolute;
  top: 4px;
  left: 0;
}

.label {
  display: block;
  transform: translateX(-50%);
  text-align: center;
}

.year-start {
  font-weight: 600;
}

.forecast {
  color: var(--forecast-text);
}

.at {
  font-weight: 700;
}
</style>
