<script setup lang="ts">
import { computed } from 'vue'
import type { Reading } from '~~/intake/reading'

const props = defineProps<{ reading: Reading }>()
/** As many rows as an analyst reads; the rest is told by number. */
const MOST_ROWS = 400
const rows = computed(() => props.reading.rows.slice(0, MOST_ROWS))
const columns = computed(() => props.reading.roles.length)

/** Places with a problem, as `line:column`. */
const wrong = computed(() =>
  props.reading.outcome === 'refused'
    ? new Map(
        props.reading.problems.map(({ line, column, because }) => [
          `${line}:${column ?? ''}`,
          because,
        ]),
      )
    : new Map<string, string>(),
)

function problemAt(line: number, column: number): string | undefined {
  return wrong.value.get(`${line}:${column + 1}`) ?? wrong.value.get(`${line}:`)
}

function roleOf(row: number, column: number): string {
  if (row === 0 && props.reading.hasHeader) return 'heading'
  return props.reading.roles[column] ?? 'unread'
}

const ROLE_WORDS = { period: 'period', value: 'values', empty: 'empty' } as const
</script>

<template>
  <div class="frame" tabindex="0" role="region" aria-label="Rows of the file">
    <table>
      <thead>
        <tr>
          <th scope="col"><span class="visually-hidden">Line</span></th>
          <th
            v-for="column in columns"
            :key="column"
            scope="col"
            :class="reading.roles[column - 1]"
          >
            {{ column }}
            <span v-if="reading.roles[column - 1]">{{
              ROLE_WORDS[reading.roles[column - 1]!]
            }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in rows" :key="row.line">
          <th scope="row" class="line">{{ row.line }}</th>
          <td
            v-for="column in columns"
            :key="column"
            :class="[roleOf(i, column - 1), { wrong: problemAt(row.line, column - 1) }]"
            :title="problemAt(row.line, column - 1)"
            dir="auto"
          >
            {{ row.cells[column - 1] ?? '' }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="reading.rows.length > MOST_ROWS" class="muted more">
      … and {{ reading.rows.length - MOST_ROWS }} more rows, read as well.
    </p>
  </div>
</template>

<style scoped>
.frame {
  overflow: auto;
  max-height: calc(100dvh - 190px);
  border: 1px solid var(--rule);
  background: var(--sheet);
}

table {
  border-collapse: collapse;
  font-size: 12px;
}

thead th {
  position: sticky;
  top: 0;
  padding: 4px 10px;
  border-bottom: 1px solid var(--rule-strong);
  background: var(--band);
  color: var(--muted);
  font-weight: 500;
  text-align: left;
  white-space: nowrap;
}

thead th.period,
thead th.value {
  border-bottom: 2px solid var(--trend-cycle);
  color: var(--ink);
}

thead th.value {
  border-bottom-color: var(--deseasonalized);
}

td {
  overflow: hidden;
  max-width: 220px;
  padding: 2px 10px;
  border-bottom: 1px solid var(--rule);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.line {
  padding: 2px 8px;
  color: var(--muted);
  font-weight: 400;
  text-align: right;
}

td.heading {
  font-weight: 600;
}

td.period {
  color: var(--trend-cycle);
}

td.value {
  color: var(--deseasonalized);
  text-align: right;
}

td.wrong {
  outline: 2px solid var(--danger);
  outline-offset: -2px;
  color: var(--danger);
}

.more {
  padding: 4px 12px;
}
</style>
