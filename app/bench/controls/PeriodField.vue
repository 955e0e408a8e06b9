<script setup lang="ts">
import { computed } from 'vue'
import { periodLabel } from '~~/core/calendar/labels'
import { formatPeriod, periodAt } from '~~/core/calendar/period'
import { useBench } from '../study/benchStore'

/** A period of the series, or one of those forecast where it may lie ahead, chosen from the list or typed. */
const props = defineProps<{
  label: string
  placeholder?: string
  clearable?: boolean
  ahead?: number
}>()
/** Period code. */
const model = defineModel<string | null>({ required: true })
const bench = useBench()
const periods = computed(() => {
  const { start, calendar, values } = bench.series!
  return Array.from({ length: values.length + (props.ahead ?? 0) }, (_, i) => {
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
