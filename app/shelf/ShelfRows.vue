<script setup lang="ts">
import { ref } from 'vue'
import { formatChange, formatFigure, formatPeriodCode } from '~/figures/format'
import type { ShelfRow } from '~~/shared/api/series'
import { changeOnYear } from './changeOnYear'
import EditableName from './EditableName.vue'
import { useShelf, type SortKey } from './shelfStore'
import SmallChart from './SmallChart.vue'

const shelf = useShelf()
const renaming = ref<string | null>(null)

const COLUMNS: readonly { key: SortKey; label: string; number?: boolean }[] = [
  { key: 'name', label: 'Series' },
  { key: 'span', label: 'Span' },
  { key: 'last', label: 'Last value', number: true },
  { key: 'change', label: 'On the year before', number: true },
]

function period(row: ShelfRow, code: string): string {
  return formatPeriodCode(code, row.frequency, row.seasons)
}

function ariaSort(key: SortKey): 'ascending' | 'descending' | 'none' {
  if (shelf.sort.key !== key) return 'none'
  return shelf.sort.descending ? 'descending' : 'ascending'
}

function rename(row: ShelfRow, name: string) {
  renaming.value = null
  if (name !== row.name) void shelf.change(row.id, { name })
}
</script>

<template>
  <table class="rows">
    <thead>
      <tr>
        <template v-for="column in COLUMNS" :key="column.key">
          <th :class="{ number: column.number }" :aria-sort="ariaSort(column.key)" scope="col">
            <button type="button" class="sort" @click="shelf.sortBy(column.key)">
              {{ column.label
              }}<span aria-hidden="true">{{
                shelf.sort.key === column.key ? (shelf.sort.descending ? ' ↓' : ' ↑') : ''
              }}</span>
            </button>
          </th>
          <th v-if="column.key === 'name'" scope="col">
            <span class="visually-hidden">Chart</span>
          </th>
        </template>
        <th scope="col"><span class="visually-hidden">Actions</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in shelf.shown" :key="row.id">
        <td class="name-cell">
          <EditableName
            v-if="renaming === row.id"
            :name="row.name"
            @done="rename(row, $event)"
            @cancel="renaming = null"
          />
          <template v-else>
            <NuxtLink :to="`/study/${row.studyId}`" class="name" :title="row.name" dir="auto">
              {{ row.name }}
            </NuxtLink>
            <span class="muted small unit">{{ row.unit || 'no unit stated' }}</span>
          </template>
        </td>
        <td><SmallChart :values="row.values" /></td>
        <td>
          {{ period(row, row.start) }} – {{ period(row, row.end) }}
          <div class="muted small">
            {{ row.frequency === 'seasons' ? `${row.seasons} seasons a year` : row.frequency }},
            {{ row.periods }} periods{{ row.missing ? `, ${row.missing} missing` : '' }}
          </div>
        </td>
        <td class="number">
          <template v-if="row.last">
            {{ formatFigure(row.last.value) }}
            <div class="muted small">{{ row.unit }}, {{ period(row, row.last.period) }}</div>
          </template>
        </td>
        <td class="number">
          <template v-if="changeOnYear(row) !== null">
            {{ formatChange(changeOnYear(row)!) }}
            <div class="muted small">{{ formatFigure(row.last!.yearBefore!) }} then</div>
          </template>
          <span v-else class="muted">–</span>
        </td>
        <td class="row-actions">
          <button
            type="button"
            class="plain-button"
            :aria-label="`Rename ${row.name}`"
            @click="renaming = row.id"
          >
            Rename
          </button>
          <button
            type="button"
            class="plain-button"
            :aria-label="`Delete ${row.name}`"
            @click="shelf.discard(row)"
          >
            Delete
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.rows {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}

th {
  padding: 6px 10px;
  border-bottom: 1px solid var(--rule-strong);
  color: var(--muted);
  font-weight: 500;
  text-align: left;
}

th:nth-child(2) {
  width: 200px;
}

th:nth-child(3) {
  width: 190px;
}

th:nth-child(4),
th:nth-child(5) {
  width: 150px;
}

th:last-child {
  width: 138px;
}

th.number {
  text-align: right;
}

.sort {
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}

.sort:hover {
  color: var(--ink);
}

td {
  padding: 9px 10px;
  border-bottom: 1px solid var(--rule);
  vertical-align: middle;
}

tbody tr:hover {
  background: var(--band);
}

.name-cell {
  overflow: hidden;
}

.name {
  display: block;
  overflow: hidden;
  font-size: 14px;
  font-weight: 600;
  text-decoration: none;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.name:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
}

.unit {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.row-actions {
  text-align: right;
  white-space: nowrap;
}
</style>
