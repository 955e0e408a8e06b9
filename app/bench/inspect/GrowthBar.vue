<script setup lang="ts">
import { computed } from 'vue'
import { growthKinds, growthWords } from '~~/core/beside/beside'
import { onePeriod } from '~~/core/calendar/labels'
import { traitsOf } from '~~/core/decompose/ways'
import { useBench } from '../benchStore'
import { useInspection } from './inspectionStore'

const bench = useBench()
const inspection = useInspection()
const per = computed(() => onePeriod(bench.series!.calendar))
const kinds = computed(() => growthKinds(bench.series!.calendar.seasons))
const traits = computed(() => traitsOf(bench.result!.method.decompose))
const isTheSame = computed(() => {
  const { hasSeason, seasonMayChange } = traits.value
  const cancels = hasSeason && !seasonMayChange
  const { model } = bench.result!.method.decompose
  return inspection.rateShown === 'yearOnYear' && cancels && model === 'multiplicative'
})
</script>

<template>
  <p class="line">
    <span class="pair">
      growth of sales<template v-if="traits.hasSeason"> and deseasonalized sales</template>,
      <v-select
        :model-value="inspection.rateShown"
        aria-label="growth of sales"
        :items="kinds.map((rate) => ({ value: rate, title: growthWords(rate, per) }))"
        @update:model-value="inspection.growthRate = $event"
      />
    </span>
    <span v-if="isTheSame" class="muted small">
      Year on year, a season that stays the same cancels out: both grow alike.
    </span>
  </p>
</template>
