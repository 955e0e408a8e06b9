<script setup lang="ts">
import type { SelectionUnderWay } from '~/workers/messages'
import FormTable from './FormTable.vue'

/** A form of smoothing being chosen: those that are through, row by row. */
defineProps<{ selection: SelectionUnderWay }>()
</script>

<template>
  <section class="working-part" role="status">
    <h3>Choosing the form: {{ selection.rows.length }} of {{ selection.of }} through</h3>
    <v-progress-linear
      :model-value="(100 * selection.rows.length) / selection.of"
      aria-label="Forms that are through"
    />
    <FormTable :rows="selection.rows" />
  </section>
</template>
