<script setup lang="ts">
import { computed } from 'vue'
import { periodLabel } from '~~/core/calendar/labels'
import { formatPeriod, periodAt } from '~~/core/calendar/period'
import { useBench } from '../study/benchStore'

/** A period of the series, chosen from the list or typed. */
defineProps<{ label: string; placeholder?: string; clearable?: boolean }>()
/** Period code. */
const model = defineModel<string | null>({ required: true })
const bench = useBench()
const periods = computed(() => {
  const { start, calendar, values } = bench.series!
  return values.map((_, i) => {
    const period = periodAt(start, i + 1, calendar.seasons)
    return { value: formatPeriod(period, calendar), title: periodLabel(period, calendar) }
  })
})
</script>

<template>
  <v-autocomplete
    v-model="model"
    :aria-label="label"
    :placeholder="placeholder"
    :items="periods"
    :clearable="clearable"
    auto-select-first
  />
</template>
