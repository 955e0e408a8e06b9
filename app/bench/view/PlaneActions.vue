<script setup lang="ts">
import { computed } from 'vue'
import { useBench } from '../study/benchStore'
import { useLedger } from './ledgerStore'
import { useWindow } from './windowStore'

/** What can be done with strips and ledger: more rows, one scale, another window. */
const bench = useBench()
const ledger = useLedger()
const time = useWindow()
const scales = computed(() => [
  { value: 'window', title: 'scale of what is seen' },
  { value: 'series', title: 'scale of the series' },
  ...(ledger.stage === 'season' ? [{ value: 'all strips', title: 'all strips on one scale' }] : []),
])
/** Only components can share a scale: elsewhere it is that of the window. */
const shownScale = computed(() =>
  ledger.scaledBy === 'all strips' && !ledger.oneScale ? 'window' : ledger.scaledBy,
)
</script>

<template>
  <div class="below">
    <v-btn
      v-if="bench.result"
      class="small"
      :aria-pressed="ledger.allSteps"
      @click="ledger.allSteps = !ledger.allSteps"
    >
      {{ ledger.allSteps ? 'only the steps of this stage' : 'all steps of the calculation' }}
    </v-btn>
    <v-btn
      v-for="group in ledger.groups"
      :key="group.name"
      class="small"
      :aria-pressed="group.isOpen"
      @click="ledger.foldGroup(group.name)"
    >
      {{ group.isOpen ? 'without' : 'with' }} the
      {{ group.count === 1 ? 'column' : `${group.count} columns` }} {{ group.label }}
    </v-btn>
    <v-select
      v-if="bench.result"
      class="scaled"
      aria-label="vertical scale"
      :items="scales"
      :model-value="shownScale"
      @update:model-value="ledger.scaledBy = $event"
    />
    <span class="zoom">
      <v-btn class="small" @click="time.zoom(0.7)">zoom in</v-btn>
      <v-btn class="small" @click="time.zoom(1 / 0.7)"> zoom out </v-btn>
      <v-btn class="small" @click="time.showWhole()"> whole series </v-btn>
      <v-btn class="small" @click="time.showRecent()"> latest periods </v-btn>
    </span>
  </div>
</template>

<style scoped>
.scaled {
  flex: none;
  width: 182px;
}

.zoom {
  display: flex;
  gap: 6px;
}

.below {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  justify-content: space-between;
  padding: 4px 6px 8px;
}
</style>
