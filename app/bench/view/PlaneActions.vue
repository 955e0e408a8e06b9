<script setup lang="ts">
import { useBench } from '../study/benchStore'
import { useLedger } from './ledgerStore'
import { useWindow } from './windowStore'

/** What can be done with strips and ledger: more rows, one scale, another window. */
const bench = useBench()
const ledger = useLedger()
const time = useWindow()
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
      v-if="ledger.grouped > 0"
      class="small"
      :aria-pressed="ledger.showsGroup"
      @click="ledger.showsGroup = !ledger.showsGroup"
    >
      {{ ledger.showsGroup ? 'without' : 'with' }} the
      {{ ledger.grouped === 1 ? 'column' : `${ledger.grouped} columns` }} of the regression
    </v-btn>
    <v-checkbox-btn
      v-if="ledger.stage === 'season' && bench.result"
      v-model="ledger.oneScale"
      class="one-scale"
      label="all strips on one scale"
    />
    <v-checkbox-btn
      v-if="bench.result"
      v-model="ledger.wholeScale"
      class="one-scale"
      label="scale of the whole series"
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
.one-scale {
  flex: none;
  white-space: nowrap;
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
