<script setup lang="ts">
import type { SeasonRow } from '~~/core/examine'
import type { SummaryLine } from './seasonSummary'

/** The summary of a folded row with its seasons down, where its columns are too narrow for figures. */
defineProps<{
  lines: readonly SummaryLine[]
  seasons: readonly { readonly label: string; readonly row: SeasonRow }[]
  textOf: (line: SummaryLine, season: SeasonRow) => string
}>()
</script>

<template>
  <v-table class="turned">
    <caption class="visually-hidden">
      What the indices came to, by season
    </caption>
    <thead>
      <tr>
        <th scope="col">season</th>
        <th v-for="{ name, kind } in lines" :key="name" scope="col" :class="kind">{{ name }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ label, row } in seasons" :key="label">
        <th scope="row">{{ label }}</th>
        <td v-for="line in lines" :key="line.name" :class="line.kind">{{ textOf(line, row) }}</td>
      </tr>
    </tbody>
  </v-table>
</template>

<style scoped>
/* The cursor's column is one of the grid above. */
.turned {
  --cell: 0 0 0 8px;
  --cell-height: 21px;

  position: relative;
  margin-top: 10px;
  padding: 0 12px;
  background: var(--paper);
  font-size: 11px;
}

.turned :deep(table) {
  table-layout: fixed;
}

th {
  font-weight: 400;
  text-align: left;
  vertical-align: bottom;
}

thead th {
  line-height: 1.2;
}

th:not(:first-child),
td {
  font-variant-numeric: tabular-nums;
  text-align: right !important;
}

.quiet {
  color: var(--muted);
}

.index {
  color: var(--season-text);
  font-weight: 700;
}
</style>
