<script setup lang="ts">
import { computed } from 'vue'
import { GROWTH_KINDS, growthWords, type GrowthKind } from '~~/core/beside/besideColumn'
import { onePeriod } from '~~/core/calendar/labels'
import { useBench } from '../benchStore'
import { useInspection } from './inspectionStore'

const bench = useBench()
const inspection = useInspection()
const per = computed(() => onePeriod(bench.series!.calendar))
const isTheSame = computed(() => {
  const { by, model } = bench.result!.method.decompose
  return inspection.growthRate === 'yearOnYear' && by !== 'stl' && model === 'multiplicative'
})
const chosen = (event: Event) => (event.target as HTMLSelectElement).value as GrowthKind
</script>

<template>
  <p class="line">
    <label>
      growth of sales and deseasonalized sales,
      <select
        class="text-input"
        :value="inspection.growthRate"
        @change="inspection.growthRate = chosen($event)"
      >
        <option v-for="rate in GROWTH_KINDS" :key="rate" :value="rate">
          {{ growthWords(rate, per) }}
        </option>
      </select>
    </label>
    <span v-if="isTheSame" class="muted small">
      Year on year, a season that stays the same cancels out: both grow alike.
    </span>
  </p>
</template>
