<script setup lang="ts">
import type { PeakSpacing } from '~~/core/seasonality/peakSpacing'
import { useView } from '../viewStore'
import GrowthBar from './GrowthBar.vue'
import LookBar from './LookBar.vue'
import SmoothBar from './SmoothBar.vue'

/** What a stage lets one look at beside the method, in a line of words under the overview. */
defineProps<{ peaks: PeakSpacing | null }>()
const view = useView()
</script>

<template>
  <div v-if="!view.folded" class="bar">
    <LookBar v-if="view.stage === 'look'" :peaks="peaks" />
    <SmoothBar v-else-if="view.stage === 'smooth'" />
    <GrowthBar v-else-if="view.stage === 'deseasonalize'" />
  </div>
</template>

<style scoped>
.bar {
  padding: 0 12px;
  font-size: 12px;
}

.bar :deep(.line) {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 10px;
  min-height: 30px;
  margin: 0;
}

.bar :deep(label) {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  white-space: nowrap;
}

.bar :deep(.text-input) {
  padding: 2px 5px;
  font-size: 12px;
}

.bar :deep(input[type='number']) {
  width: 60px;
}

.bar :deep(.problem) {
  margin: 0 0 4px;
  color: var(--danger);
}
</style>
