<script setup lang="ts">
import { formatDecimals, formatFigure, formatP, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { Term } from '~~/core/regression/report'

/** Coefficients with what is known about them, each with its 95% limits and, where it is said, what it means. */
export interface CoefficientRow extends Term {
  readonly reads?: string
  /** Its limits in words, where they are not of the estimate itself. */
  readonly range?: string | undefined
  /** Whether it can be told from nothing. */
  readonly isTold?: boolean
}

function rangeOf({ range, lower, upper }: CoefficientRow): string {
  return range ? inReadersFigures(range) : `${formatFigure(lower)} to ${formatFigure(upper)}`
}

defineProps<{ rows: readonly CoefficientRow[]; name: string }>()
</script>

<template>
  <v-table class="working-table coefficients">
    <caption class="visually-hidden">
      {{
        name
      }}
    </caption>
    <thead>
      <tr class="head">
        <th scope="col" class="number">estimate</th>
        <th scope="col" class="number"><TermWord of="standardError">std. error</TermWord></th>
        <th scope="col" class="number"><TermWord of="t" /></th>
        <th scope="col" class="number"><TermWord of="p" /></th>
      </tr>
    </thead>
    <tbody v-for="row in rows" :key="row.name">
      <tr class="says">
        <th scope="rowgroup" colspan="4">
          <!-- A reading that begins with the name says it already. -->
          <template v-if="!row.reads?.startsWith(row.label)">{{ row.label }}: </template>
          <span v-if="row.reads" class="muted">{{ inReadersFigures(row.reads) }}; </span>
          <strong v-if="row.isTold === false">cannot be told from nothing; </strong>
          <span class="muted">95% from {{ rangeOf(row) }}</span>
        </th>
      </tr>
      <tr>
        <td class="number">{{ formatFigure(row.estimate) }}</td>
        <td class="number">{{ formatFigure(row.standardError) }}</td>
        <td class="number">{{ row.t === null ? '–' : formatDecimals(row.t, 2) }}</td>
        <td class="number">{{ row.p === null ? '–' : formatP(row.p) }}</td>
      </tr>
    </tbody>
  </v-table>
</template>

<style scoped>
.coefficients {
  --cell: 0 0 0 6px;

  margin-top: 6px;
}

.says th {
  padding-top: 5px !important;
  padding-left: 0 !important;
  overflow-wrap: anywhere;
}

.says strong {
  color: var(--forecast-text);
  font-weight: 600;
}

td.number {
  white-space: nowrap;
}
</style>
