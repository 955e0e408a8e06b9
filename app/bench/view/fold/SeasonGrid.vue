<script setup lang="ts">
import { computed } from 'vue'
import type { CycleName } from '~~/core/calendar/rhythm'
import { useTheme } from '~/theme/themeStore'
import { formatDecimals } from '~/figures/format'
import type { Column } from '~~/core/column/column'
import type { SeasonRow } from '~~/core/examine'
import type { Value } from '~~/core/series/series'
import { useBench } from '../../study/benchStore'
import { cellFormat, figureText } from '../ledger/fitting'
import { cssShade, rangeOf, shadeOf } from '../ledger/shade'
import { useWindow } from '../windowStore'
import { useLedger } from '../ledgerStore'
import { useSelection } from '../selectionStore'
import { believedInPart, type BelievedInPart } from '~~/core/ledger/believed'
import type { FoldCell, FoldGrid } from '~~/core/ledger/foldGrid'
import { shortLabel } from './shortLabel'
import { seasonSummary, summaryText, summaryWords, type SummaryLine } from './seasonSummary'
import TurnedSummary from './TurnedSummary.vue'

const props = defineProps<{
  grid: FoldGrid
  row: Column
  cursorSeason: number | null
  cycle: CycleName
  /** Whether it is the cycle that the series has its season by; indices are of no other. */
  isOwnCycle: boolean
}>()
const bench = useBench()
const time = useWindow()
const ledger = useLedger()
const selection = useSelection()
const theme = useTheme()

const range = computed(() =>
  rangeOf(props.grid.years.flatMap(({ cells }) => cells.map(({ value }) => value))),
)
const width = computed(() => time.plotWidth / props.grid.seasons.length)
/** Below this a cell's number does not fit: its shade stays, and the summary stands with its seasons down. */
const numbersFit = computed(() => width.value >= 30)
const TURNED_COLUMN_PX = 50
const format = computed(() =>
  cellFormat(
    props.row,
    props.grid.years.flatMap(({ cells }) => cells.map(({ value }) => value)),
    ledger.scale,
    numbersFit.value ? width.value : TURNED_COLUMN_PX,
  ),
)

function text(value: Value): string {
  return numbersFit.value ? figureText(value, format.value) : ''
}

function shade(value: Value): string | undefined {
  return value === null || !range.value
    ? undefined
    : cssShade(shadeOf(props.row, value, range.value, theme.palette, 0.28))
}

function isExcluded({ t }: FoldCell): boolean {
  return props.row.name === 'seasonalIrregular' && t !== null && ledger.leftOut.has(t)
}

/** What is not believed in full of the row that the season is made of. */
const inPart = computed(() =>
  props.row.name === 'seasonalIrregular' && bench.result ? believedInPart(bench.result) : null,
)
function ringOf({ t }: FoldCell): BelievedInPart | undefined {
  return t === null ? undefined : inPart.value?.get(t)
}
/** How far a ringed value is believed, and what stands in its place. */
function ringWords(cell: FoldCell): string | undefined {
  const own = ringOf(cell)
  if (!own) return undefined
  const { weight, inPlace } = own
  const far = weight === 0 ? 'not believed' : `believed to ${formatDecimals(100 * weight, 0)}%`
  return inPlace === null ? far : `${far}; ${figureText(inPlace, format.value)} stands in its place`
}
const ringsDrawn = computed(() => (inPart.value?.size ?? 0) > 0)

function isSelected({ t }: FoldCell): boolean {
  return selection.selected?.t === t && selection.selected?.column === props.row.name
}

/** What the indices came to, season by season in the order of the columns. */
const summary = computed(() =>
  bench.result && props.isOwnCycle ? seasonSummary(bench.result, props.row) : null,
)
const seasonRows = computed(() =>
  props.grid.seasons.map(({ season, label }) => ({
    label,
    row: bench.result!.seasons[season - 1]!,
  })),
)
const words = computed(() => summaryWords(bench.result!, props.row, ledger.scale))
const textOf = (line: SummaryLine, season: SeasonRow) =>
  summaryText(line, season, props.row, format.value)
</script>

<template>
  <div class="grid-frame">
    <v-table class="season-grid" :style="{ width: `calc(var(--gutter) + ${time.plotWidth}px)` }">
      <caption class="visually-hidden">
        {{
          row.label
        }}
        by
        {{
          cycle
        }}
        and season
      </caption>
      <colgroup>
        <col :style="{ width: 'var(--gutter)' }" />
        <col v-for="{ label } in grid.seasons" :key="label" />
      </colgroup>
      <thead>
        <tr>
          <th scope="col" class="corner muted">{{ row.means }}</th>
          <th
            v-for="{ season, label } in grid.seasons"
            :key="label"
            scope="col"
            :class="{ at: season === cursorSeason }"
            :aria-label="label"
            data-tip
          >
            {{ shortLabel(label, width) }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ year, label, cells } in grid.years" :key="year">
          <th scope="row">{{ label }}</th>
          <td
            v-for="(cell, i) in cells"
            :key="i"
            :class="{
              excluded: isExcluded(cell),
              selected: isSelected(cell),
              source: cell.t !== null && selection.sources.get(row.name)?.has(cell.t),
              ringed: ringOf(cell),
              faint: ringOf(cell)?.weight === 0,
            }"
            :data-tip="ringWords(cell)"
            :style="{ background: shade(cell.value) }"
            @click="cell.t !== null && selection.select({ column: row.name, t: cell.t })"
          >
            {{ cell.value === null ? (cell.t === null ? '' : '·') : text(cell.value) }}
            <span v-if="ringOf(cell)" class="visually-hidden">{{ ringWords(cell) }}</span>
          </td>
        </tr>
      </tbody>
      <tfoot>
        <template v-if="summary">
          <tr
            v-for="(line, i) in numbersFit ? summary : []"
            :key="line.name"
            :class="[line.kind, { first: i === 0 }]"
          >
            <th scope="row">{{ line.name }}</th>
            <td v-for="{ label, row: season } in seasonRows" :key="label">
              {{ textOf(line, season) }}
            </td>
          </tr>
        </template>
        <tr v-else class="first">
          <th scope="row">mean</th>
          <td v-for="{ season, mean } in grid.seasons" :key="season">{{ text(mean) }}</td>
        </tr>
      </tfoot>
    </v-table>
    <TurnedSummary
      v-if="summary && !numbersFit"
      :lines="summary"
      :seasons="seasonRows"
      :text-of="textOf"
    />
    <p v-if="ringsDrawn" class="muted adjustment">
      <span class="ring" aria-hidden="true" /> ringed: not believed in full; how far, and what
      stands in its place, is said at the cell.
    </p>
    <p v-if="summary" class="muted adjustment">{{ words }}</p>
  </div>
</template>

<style scoped>
.season-grid {
  --cell: 0;
  --cell-height: 21px;

  font-size: 11px;
}

.season-grid :deep(table) {
  table-layout: fixed;
}

th {
  padding-left: 12px !important;
  font-weight: 400;
  text-align: left;
  white-space: nowrap;
}

thead th:not(.corner) {
  padding: 0 !important;
  text-align: center !important;
}

.corner {
  overflow: hidden;
  font-size: 11px;
  text-overflow: ellipsis;
}

thead th.at {
  font-weight: 700;
}

td {
  position: relative;
  font-variant-numeric: tabular-nums;
  letter-spacing: -0.01em;
  text-align: center;
}

tbody td {
  border: 1px solid var(--paper);
  cursor: pointer;
}

tbody tr {
  border-bottom: 1px solid var(--rule);
}

.first {
  border-top: 1.5px solid var(--ink);
}

.quiet {
  color: var(--muted);
}

.index {
  color: var(--season-text);
  font-weight: 700;
}

/* An oval within the cell, so that neighbours do not touch; broken where nothing of the value is believed. */
.ringed::after {
  position: absolute;
  inset: 1.5px 3px;
  border: 1.4px solid var(--irregular);
  border-radius: 999px;
  content: '';
  pointer-events: none;
}

.faint::after {
  border-style: dashed;
}

.ring {
  display: inline-block;
  width: 18px;
  height: 10px;
  border: 1.4px solid var(--irregular);
  border-radius: 999px;
  vertical-align: -1px;
}

.excluded {
  color: var(--muted);
  text-decoration: line-through;
}

.selected {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}

.source:not(.selected) {
  outline: 1.5px solid var(--cursor);
  outline-offset: -2px;
}

.adjustment {
  margin: 6px 12px;
  font-size: 11px;
}
</style>
