<script setup lang="ts">
import { computed } from 'vue'
import { axisOf } from '~~/core/calendar/axis'
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
  const series = bench.series!
  const { codeAt, label } = axisOf(series)
  return Array.from({ length: series.values.length + (props.ahead ?? 0) }, (_, i) => ({
    value: codeAt(i + 1),
    title: label(i + 1),
  }))
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
