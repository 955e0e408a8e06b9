<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { formatCount } from '~/figures/format'
import type { FileRows } from '~/workers/fileJobs'
import { textAt, type Row } from '~~/intake/grid'
import type { Reading, RowKind } from '~~/intake/reading'
import ColumnRole from './ColumnRole.vue'
import { ReadingWords } from './readingWords'
import { useIntake } from './intakeStore'

/** The file as a grid, every cell coloured by what it became; only the rows in sight are there. */
const props = defineProps<{ reading: Reading; rowCount: number }>()
const intake = useIntake()
const ROW_HEIGHT = 23
/** Rows above and below the window that are there already. */
const MARGIN = 8
/** As many columns as an analyst looks at; the rest is told by number. */
const MOST_COLUMNS = 60

const frame = ref<HTMLElement | null>(null)
const top = ref(0)
const shownHeight = ref(500)
const loaded = shallowRef<FileRows & { from: number }>({ from: 0, rows: [], cells: [] })

const from = computed(() => Math.max(0, Math.floor(top.value / ROW_HEIGHT) - MARGIN))
const to = computed(() =>
  Math.min(props.rowCount, Math.ceil((top.value + shownHeight.value) / ROW_HEIGHT) + MARGIN),
)
async function load() {
  const [first, last] = [from.value, to.value]
  const found = await intake.rows(first, last)
  if (first === from.value && last === to.value) loaded.value = { from: first, ...found }
}
watch([from, to, () => props.reading], load, { immediate: true })
onMounted(() => (shownHeight.value = frame.value?.clientHeight ?? 500))

const width = computed(() =>
  Math.min(
    MOST_COLUMNS,
    Math.max(
      props.reading.shape.columnRoles.length,
      ...loaded.value.rows.map(({ cells }) => cells.length),
    ),
  ),
)
const hiddenColumns = computed(() =>
  Math.max(0, props.reading.shape.columnRoles.length - MOST_COLUMNS),
)

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
const asked = computed(
  () =>
    new Set(
      props.reading.questions.filter(({ answer }) => answer === null).flatMap(({ lines }) => lines),
    ),
)

function problemAt(line: number, column: number): string | undefined {
  return wrong.value.get(`${line}:${column + 1}`) ?? wrong.value.get(`${line}:`)
}

const words = computed(() => new ReadingWords(props.reading, loaded.value.cells))

function kindOf(at: number): RowKind | null {
  return props.reading.shape.rowKinds[at] ?? null
}

/** What a cell became. A matrix has periods in its heading too. */
function becameOf(at: number, column: number): string {
  const kind = kindOf(at)
  const role = props.reading.shape.columnRoles[column]
  if (kind === null || role === undefined) return 'unread'
  if (role === 'other') return 'ignored'
  if (kind === 'header') {
    const { layout } = props.reading.shape
    return (layout === 'matrix' || layout === 'across') && role === 'value' ? 'period' : 'heading'
  }
  if (kind !== 'data') return namesSeries(at, column) ? 'key' : 'ignored'
  return role === 'total' || role === 'repeated' ? 'ignored' : role
}

/** Whether a line above the table gave a series its name: then it was read after all. */
function namesSeries(at: number, column: number): boolean {
  const { reading } = props
  const cell = loaded.value.rows[at - loaded.value.from]?.cells[column]
  const text = typeof cell === 'string' ? cell.trim() : ''
  return (
    text !== '' &&
    'series' in reading &&
    reading.series.some(({ series }) => series.name !== '' && text.startsWith(series.name))
  )
}

function titleAt(at: number, row: Row, column: number): string | undefined {
  return problemAt(row.line, column) ?? words.value.of(kindOf(at), row, column)
}
</script>

<template>
  <div
    ref="frame"
    class="frame"
    tabindex="0"
    role="region"
    aria-label="Rows of the file"
    @scroll="top = ($event.target as HTMLElement).scrollTop"
  >
    <v-table>
      <thead>
        <tr>
          <th scope="col"><span class="visually-hidden">Line</span></th>
          <th
            v-for="column in width"
            :key="column"
            scope="col"
            :class="reading.shape.columnRoles[column - 1]"
          >
            <ColumnRole :reading="reading" :column="column" />
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-if="loaded.from > 0"
          :style="{ height: `${loaded.from * ROW_HEIGHT}px` }"
          aria-hidden="true"
        />
        <tr
          v-for="(row, i) in loaded.rows"
          :key="row.line"
          :class="[kindOf(loaded.from + i), { asked: asked.has(row.line) }]"
          :style="{ height: `${ROW_HEIGHT}px` }"
        >
          <th scope="row" class="line">{{ row.line }}</th>
          <td
            v-for="column in width"
            :key="column"
            :data-tip="titleAt(loaded.from + i, row, column - 1)"
            :class="[
              becameOf(loaded.from + i, column - 1),
              { wrong: problemAt(row.line, column - 1) },
            ]"
            dir="auto"
          >
            {{ textAt(row, column - 1).slice(0, 200) }}
          </td>
        </tr>
        <tr
          v-if="loaded.from + loaded.rows.length < rowCount"
          :style="{ height: `${(rowCount - loaded.from - loaded.rows.length) * ROW_HEIGHT}px` }"
          aria-hidden="true"
        />
      </tbody>
    </v-table>
  </div>
  <p class="muted small legend">
    <span class="period">period</span> <span class="value">value</span>
    <span class="key">name</span> <span class="ignored">not read</span> ·
    {{ formatCount(rowCount) }} rows
    <template v-if="hiddenColumns > 0">· {{ hiddenColumns }} more columns</template>
  </p>
</template>

<style scoped>
.frame {
  overflow: auto;
  height: calc(100dvh - 250px);
  border: 1px solid var(--rule);
  background: var(--sheet);
}

.v-table {
  --cell: 0 8px;
  --cell-rule: 1px solid var(--rule);

  overflow: visible;
}

.v-table :deep(.v-table__wrapper) {
  overflow: visible;
}

.v-table :deep(table) {
  width: auto;
}

thead th {
  position: sticky;
  z-index: 1;
  top: 0;
  padding: 3px 4px !important;
  border-bottom: 2px solid var(--rule-strong) !important;
  background: var(--band);
  text-align: left;
}

thead th.period {
  border-bottom-color: var(--trend-cycle) !important;
}

thead th.value {
  border-bottom-color: var(--deseasonalized) !important;
}

thead th.key {
  border-bottom-color: var(--season) !important;
}

td {
  overflow: hidden;
  max-width: 220px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.line {
  color: var(--muted);
  font-weight: 400;
  text-align: right !important;
}

td.heading {
  font-weight: 600;
}

.period {
  color: var(--trend-cycle-text);
}

.value {
  color: var(--deseasonalized-text);
}

td.value {
  text-align: right;
}

.key,
.unit {
  color: var(--season-text);
}

td.ignored,
.legend .ignored {
  color: var(--muted);
  text-decoration: line-through;
  text-decoration-color: var(--rule-strong);
}

.asked td {
  background: var(--cursor-wash);
}

td.wrong {
  outline: 2px solid var(--danger);
  outline-offset: -2px;
  color: var(--danger);
}

/* What is asked stands below, and is to be seen. */
@media (width < 980px) {
  .frame {
    height: 40dvh;
  }
}

.legend {
  margin: 6px 0 0;
}

.legend span {
  margin-right: 8px;
}
</style>
