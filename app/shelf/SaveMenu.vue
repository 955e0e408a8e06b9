<script setup lang="ts">
import { computed } from 'vue'
import { formatCount } from '~/figures/format'
import { MOST_SERIES } from '~~/handover/report/choices'
import { useSaving } from './saving'
import { useShelf } from './shelfStore'

/** What came of the work leaves: all forecasts in one table, and one report on those to look at. */
const shelf = useShelf()
const ids = computed(() => {
  const rows =
    shelf.selected.size > 0 ? shelf.rows.filter(({ id }) => shelf.selected.has(id)) : shelf.shown
  return rows.filter(({ worked }) => worked).map(({ id }) => id)
})
const toLookAt = computed(() => shelf.toLookAt.slice(0, MOST_SERIES).map(({ id }) => id))
const { saving, save } = useSaving()
const FORECASTS = 'the forecasts'
const REPORT = 'the report'
const KINDS = {
  csv: 'CSV, two files in a zip',
  xlsx: 'XLSX, two sheets',
  package: 'data package',
} as const
const many = computed(() =>
  shelf.toLookAt.length > MOST_SERIES
    ? `the first ${MOST_SERIES} of ${formatCount(shelf.toLookAt.length)}`
    : formatCount(toLookAt.value.length),
)
</script>

<template>
  <span v-if="saving" role="status" class="writing">
    <v-progress-circular indeterminate size="16" width="2" aria-hidden="true" />
    Writing {{ saving.what }}…
    <v-btn @click="saving.stop.abort()">Stop</v-btn>
  </span>
  <v-menu v-else location="bottom start">
    <template #activator="{ props: activator }">
      <v-btn :disabled="ids.length === 0" v-bind="activator" :aria-owns="undefined">Save</v-btn>
    </template>
    <v-list density="compact">
      <v-list-subheader>All forecasts of {{ formatCount(ids.length) }} series</v-list-subheader>
      <v-list-item
        v-for="(label, kind) in KINDS"
        :key="kind"
        :title="label"
        @click="save(ids, { forecasts: kind }, FORECASTS)"
      />
      <template v-if="toLookAt.length > 0">
        <v-list-subheader>One report on those to look at, {{ many }}</v-list-subheader>
        <v-list-item
          title="A page for each"
          @click="save(toLookAt, { report: 'page', reasons: true }, REPORT)"
        />
        <v-list-item
          title="About three pages for each"
          @click="save(toLookAt, { report: 'short', reasons: true }, REPORT)"
        />
      </template>
    </v-list>
  </v-menu>
</template>

<style scoped>
.writing {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
</style>
