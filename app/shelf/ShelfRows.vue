<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { calendarOf } from '~~/core/calendar/calendar'
import { formatChange, formatFigure, formatPeriodCode, inReadersFigures } from '~/figures/format'
import type { Worked } from '~~/shared/api/catalogue'
import type { ShelfRow } from '~~/shared/api/series'
import AskFirst from '~/shell/AskFirst.vue'
import MiddleCut from '~/shell/MiddleCut.vue'
import { changeOnYear, type YearChange } from './changeOnYear'
import EditableName from './EditableName.vue'
import { usePictures } from './pictures'
import { COLUMN_KEYS, COLUMNS, type ColumnKey } from './columns'
import { useShelf } from './shelfStore'
import SmallChart from './SmallChart.vue'

const shelf = useShelf()
const renaming = ref<string | null>(null)

/** A column of groups takes no room where there are none, and where one is chosen that all in sight are in. */
const needsGroups = computed(() =>
  shelf.group === null
    ? shelf.rows.some(({ group }) => group !== '')
    : shelf.shown.some(({ group }) => group !== shelf.group),
)
/** Of those to look at the reasons take the place of what is not needed for that: names are never what is cut first. */
const columns = computed(() => {
  const keys: readonly ColumnKey[] = shelf.onlyToLookAt
    ? ['name', 'urgency', 'last', ...FIGURES.filter((key) => shelf.columns.has(key))]
    : COLUMN_KEYS.filter((key) => key === 'name' || shelf.columns.has(key))
  return keys.filter((key) => key !== 'group' || needsGroups.value).map((key) => COLUMNS[key])
})
/** Columns that say a figure of the last run. */
const FIGURES = COLUMN_KEYS.filter((key) => COLUMNS[key].figure)
const has = (key: ColumnKey) => columns.value.some((column) => column.key === key)
/** Names are the last thing to be cut: with more columns the table moves sideways. */
const WIDTHS: Partial<Record<ColumnKey, number>> = { group: 130, span: 190, urgency: 320 }
const width = computed(() =>
  columns.value.reduce((sum, { key }) => sum + (key === 'name' ? 0 : (WIDTHS[key] ?? 150)), 610),
)

/** Every row is as high as this, so that those out of sight need not be there. */
const ROW_HEIGHT = 57
const MARGIN = 6
const body = ref<HTMLElement | null>(null)
const first = ref(0)
const count = ref(rowsIn(innerHeight))

/**
 * Rows that are there at once, a few out of sight among them. They are the same for as long as the shelf is open: one that comes into
 * sight is one that has left it, with other words, as to make it anew would take several times as long.
 */
function rowsIn(height: number): number {
  return Math.ceil(height / ROW_HEIGHT) + 2 * MARGIN
}

function look() {
  if (!body.value) return
  const above = -body.value.getBoundingClientRect().top
  first.value = Math.max(0, Math.floor(above / ROW_HEIGHT) - MARGIN)
  count.value = rowsIn(innerHeight)
}
onMounted(() => {
  look()
  addEventListener('scroll', look, { passive: true })
  addEventListener('resize', look)
})
onBeforeUnmount(() => {
  removeEventListener('scroll', look)
  removeEventListener('resize', look)
})
const start = computed(() => Math.min(first.value, Math.max(0, shelf.shown.length - 1)))
const inSight = computed(() => shelf.shown.slice(start.value, start.value + count.value))
const pictureOf = usePictures(
  () => inSight.value,
  () => shelf.read,
)
const below = computed(() => Math.max(0, shelf.shown.length - start.value - inSight.value.length))
const isEverySelected = computed(
  () => shelf.shown.length > 0 && shelf.shown.every(({ id }) => shelf.selected.has(id)),
)

function reasonsOf({ attention }: Worked): string {
  return inReadersFigures(attention.map(({ text }) => text).join('; '))
}

function period(row: ShelfRow, code: string): string {
  return formatPeriodCode(code, calendarOf(row.frequency, row))
}

function ariaSort(key: ColumnKey): 'ascending' | 'descending' | 'none' {
  if (shelf.sort.key !== key) return 'none'
  return shelf.sort.descending ? 'descending' : 'ascending'
}

function changeWords({ by, in: unit }: YearChange): string {
  if (unit === 'percent') return formatChange(by)
  const figure = `${by < 0 ? '−' : '+'}${formatFigure(Math.abs(by))}`
  return unit === 'points' ? `${figure} points` : figure
}

/** A series with kept forecasts is not deleted by one click. */
const asked = shallowRef<ShelfRow | null>(null)
const isAsking = ref(false)
function remove(row: ShelfRow) {
  asked.value = row
  if (row.kept > 0) isAsking.value = true
  else void shelf.discard([row.id])
}

function rename(row: ShelfRow, name: string) {
  renaming.value = null
  if (name !== row.name) void shelf.change(row.id, { name })
}
</script>

<template>
  <v-table class="rows" :style="{ '--least-width': `${width}px` }">
    <thead>
      <tr>
        <th scope="col" class="pick">
          <v-checkbox-btn
            aria-label="Select every series shown"
            :model-value="isEverySelected"
            @update:model-value="shelf.selectShown(!isEverySelected)"
          />
        </th>
        <template v-for="column in columns" :key="column.key">
          <th
            :class="[column.key, { number: column.number }]"
            :aria-sort="ariaSort(column.key)"
            scope="col"
          >
            <v-btn variant="plain" class="sort" @click="shelf.sortBy(column.key)">
              {{ column.label
              }}<span aria-hidden="true">{{
                shelf.sort.key === column.key ? (shelf.sort.descending ? '\u00A0↓' : '\u00A0↑') : ''
              }}</span>
            </v-btn>
          </th>
          <th v-if="column.key === 'name'" scope="col" class="chart">
            <span class="visually-hidden">Chart</span>
          </th>
        </template>
        <th v-if="!shelf.onlyToLookAt" scope="col" class="actions-head">
          <span class="visually-hidden">Actions</span>
        </th>
      </tr>
    </thead>
    <tbody ref="body">
      <tr v-if="start > 0" class="space" :style="{ height: `${start * ROW_HEIGHT}px` }" />
      <tr
        v-for="(row, at) in inSight"
        :key="(start + at) % count"
        class="series"
        :style="{ height: `${ROW_HEIGHT}px` }"
      >
        <td class="pick">
          <v-checkbox-btn
            :aria-label="`Select ${row.name.slice(0, 200)}`"
            :model-value="shelf.selected.has(row.id)"
            @update:model-value="shelf.select(row.id, !shelf.selected.has(row.id))"
          />
        </td>
        <td class="name-cell">
          <EditableName
            v-if="renaming === row.id"
            :name="row.name"
            @done="rename(row, $event)"
            @cancel="renaming = null"
          />
          <template v-else>
            <NuxtLink :to="`/study/${row.studyId}`" class="name">
              <MiddleCut :text="row.name" />
            </NuxtLink>
            <span
              v-if="!shelf.onlyToLookAt && row.worked && row.worked.attention.length > 0"
              class="small unit"
            >
              <span :class="row.worked.seen ? 'muted' : 'reason'">
                {{ row.worked.seen ? 'seen: ' : '' }}{{ reasonsOf(row.worked) }}
              </span>
            </span>
            <span v-else class="muted small unit">
              {{ row.unit || 'no unit stated' }}
              <template v-if="row.worked?.off"> · {{ inReadersFigures(row.worked.off) }}</template>
              <template v-if="row.derived?.from">
                · follows
                <NuxtLink :to="`/study/${row.derived.from.studyId}`">{{
                  row.derived.from.name.slice(0, 80)
                }}</NuxtLink>
              </template>
              <template v-for="(one, i) in row.others" :key="one.id">
                ·
                <NuxtLink :to="`/study/${one.id}`">{{ one.name || `study ${i + 2}` }}</NuxtLink>
              </template>
            </span>
          </template>
        </td>
        <td class="chart-cell">
          <SmallChart
            v-if="pictureOf(row.id)"
            :values="pictureOf(row.id)!.values"
            :ahead="pictureOf(row.id)!.ahead"
          />
        </td>
        <td v-if="has('group')" class="group-cell"><MiddleCut :text="row.group" /></td>
        <td v-if="has('urgency')" class="reason small">
          <span class="two-lines">{{ row.worked ? reasonsOf(row.worked) : '' }}</span>
        </td>
        <td v-if="has('span')" class="span-cell">
          {{ period(row, row.start) }} – {{ period(row, row.end) }}
          <div class="muted small">
            {{ row.frequency === 'seasons' ? `${row.seasons} seasons a year` : row.frequency }},
            {{ row.missing ? `${row.periods - row.missing} of ` : '' }}{{ row.periods }} periods
          </div>
        </td>
        <td v-if="has('last')" class="number last-value">
          <template v-if="row.last">
            {{ formatFigure(row.last.value) }}
            <div class="muted small cut">
              {{ row.unit ? `${row.unit}, ` : '' }}{{ period(row, row.last.period) }}
            </div>
          </template>
        </td>
        <td v-if="has('change')" class="number change-cell">
          <template v-if="changeOnYear(row)">
            {{ changeWords(changeOnYear(row)!) }}
            <div class="muted small">{{ formatFigure(row.last!.yearBefore!) }} then</div>
          </template>
          <span v-else class="muted">–</span>
        </td>
        <template v-for="key in FIGURES" :key="key">
          <td v-if="has(key)" class="number figure-cell">
            <template v-if="COLUMNS[key].figure!(row)">
              {{ COLUMNS[key].figure!(row)![0] }}
              <div class="muted small cut">{{ COLUMNS[key].figure!(row)![1] }}</div>
            </template>
            <span v-else class="muted">–</span>
          </td>
        </template>
        <td v-if="!shelf.onlyToLookAt" class="row-actions">
          <v-btn :aria-label="`Rename ${row.name}`" @click="renaming = row.id"> Rename </v-btn>
          <v-btn :aria-label="`Delete ${row.name}`" @click="remove(row)"> Delete </v-btn>
        </td>
      </tr>
      <tr v-if="below > 0" class="space" :style="{ height: `${below * ROW_HEIGHT}px` }" />
    </tbody>
  </v-table>
  <AskFirst
    v-model="isAsking"
    :title="`Delete ${asked?.name.slice(0, 200)}?`"
    action="Delete it"
    @confirm="shelf.discard([asked!.id])"
  >
    {{ asked?.kept === 1 ? 'A forecast of it is' : `${asked?.kept} forecasts of it are` }} kept. It
    goes into the trash with them, and can be brought back.
  </AskFirst>
</template>

<style scoped>
.rows {
  --cell: 0 10px;
  --cell-rule: 1px solid var(--rule);

  min-width: var(--least-width);
}

.rows :deep(table) {
  table-layout: fixed;
}

th {
  padding: 6px 10px !important;
  border-bottom: 1px solid var(--rule-strong) !important;
  color: var(--muted);
  font-weight: 500;
  text-align: left;
}

.pick {
  width: 34px;
  padding: 0 4px !important;
}

.chart {
  width: 190px;
}

.group {
  width: 130px;
}

.span {
  width: 190px;
}

.urgency {
  width: 320px;
}

.last,
.change {
  width: 140px;
}

.off,
.ahead,
.against {
  width: 150px;
}

.actions-head {
  width: 172px;
}

th.number,
th.number .sort {
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
  box-sizing: border-box;
  vertical-align: middle;
}

tbody tr:hover {
  background: var(--band);
}

.name-cell {
  overflow: hidden;
}

.name-cell .name {
  display: block;
  overflow: hidden;
  font-size: 14px;
  font-weight: 600;
  text-decoration: none;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.name-cell .name:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
}

.unit {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.reason {
  color: var(--forecast-text);
}

.two-lines {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}

.cut {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.space:hover {
  background: none;
}

/* With more columns than the page is wide they stay in sight. */
.row-actions,
.actions-head {
  position: sticky;
  right: 0;
  background: var(--paper);
}

tbody tr:hover .row-actions {
  background: var(--band);
}

.row-actions {
  padding-right: 0 !important;
  text-align: right;
  white-space: nowrap;
}

.row-actions .v-btn {
  margin-left: 6px;
}

/* Quiet until the row is pointed at, or the keyboard is in it. */
@media (hover: hover) {
  .series:not(:hover, :focus-within) .row-actions .v-btn {
    border-color: transparent;
    color: var(--muted);
    font-weight: 400;
  }
}

@media (width < 1130px) {
  .rows {
    min-width: 0;
  }

  .chart,
  .chart-cell,
  .off,
  .ahead,
  .against,
  .figure-cell {
    display: none;
  }

  .span {
    width: 150px;
  }

  .last,
  .change {
    width: 116px;
  }
}

@media (width < 900px) {
  .group,
  .group-cell {
    display: none;
  }
}

@media (width < 800px) {
  .span,
  .span-cell {
    display: none;
  }
}

/* A name is changed on the Bench, and what is selected is deleted above. */
@media (width < 640px) {
  .row-actions,
  .actions-head {
    display: none;
  }

  .last,
  .change {
    width: 92px;
  }
}

@media (width < 480px) {
  .urgency {
    width: 150px;
  }

  .change,
  .change-cell {
    display: none;
  }

  .last {
    width: 116px;
  }
}
</style>
