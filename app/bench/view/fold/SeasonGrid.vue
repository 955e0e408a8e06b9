<script setup lang="ts">
import { withUnit } from '~/figures/displayScale'
import { computed } from 'vue'
import { useTheme } from '~/theme/themeStore'
import { formatChange, formatDecimals, formatSigned } from '~/figures/format'
import type { Column } from '~~/core/column/column'
import { traitsOf } from '~~/core/decompose/ways'
import type { SeasonRow } from '~~/core/examine'
import type { Value } from '~~/core/series/series'
import { useBench } from '../../study/benchStore'
import { cellFormat, figureText } from '../ledger/fitting'
import { cssShade, rangeOf, shadeOf } from '../ledger/shade'
import { useWindow } from '../windowStore'
import { useLedger } from '../ledgerStore'
import { useSelection } from '../selectionStore'
import type { FoldCell, FoldGrid } from './foldGrid'

const props = defineProps<{ grid: FoldGrid; row: Column; cursorSeason: number | null }>()
const bench = useBench()
const time = useWindow()
const ledger = useLedger()
const selection = useSelection()
const theme = useTheme()

const range = computed(() =>
  rangeOf(props.grid.years.flatMap(({ cells }) => cells.map(({ value }) => value))),
)
const width = computed(() => time.plotWidth / props.grid.seasons.length)
/** Below this a cell's number does not fit; its shade stays. */
const numbersFit = computed(() => width.value >= 30)
const format = computed(() =>
  cellFormat(
    props.row,
    props.grid.years.flatMap(({ cells }) => cells.map(({ value }) => value)),
    ledger.scale,
    width.value,
  ),
)
const isFactor = computed(() => props.row.measure === 'factor')

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

function isSelected({ t }: FoldCell): boolean {
  return selection.selected?.t === t && selection.selected?.column === props.row.name
}

interface SummaryRow {
  readonly name: string
  readonly cells: readonly string[]
  readonly kind?: 'quiet' | 'index' | 'plain'
}

/** What the indices came to, season by season in the order of the columns, and how steady they are. */
const summary = computed<{ rows: SummaryRow[]; words: string } | null>(() => {
  const { result } = bench
  const column = props.row.name
  if (!result || (column !== 'seasonalIrregular' && column !== 'index')) return null
  const { decompose } = result.method
  const { seasonMayChange } = traitsOf(decompose)
  if (column === 'index' && !seasonMayChange) return null
  const rows = props.grid.seasons.map(({ season }) => result.seasons[season - 1]!)
  const of = (name: string, value: (row: SeasonRow) => Value, kind?: SummaryRow['kind']) => ({
    name,
    kind,
    cells: rows.map((row) => text(value(row))),
  })
  const ends = [
    of('without first year', ({ withoutFirst }) => withoutFirst, 'quiet'),
    of('without last year', ({ withoutLast }) => withoutLast, 'quiet'),
  ]
  const reads = { name: 'reads', cells: rows.map(({ index }) => reading(index)) }
  if (seasonMayChange || !('average' in decompose)) {
    return {
      rows: [
        of('mean of the years', ({ raw }) => raw),
        of('last year’s index', ({ index }) => index, 'index'),
        reads,
        ...ends,
      ],
      words: 'The season may change from year to year; the forecast repeats that of the last year.',
    }
  }
  const { decomposition } = result
  return {
    rows: [
      of(decompose.average.replace('-', ' '), ({ raw }) => raw),
      of('standard error', ({ standardError }) => standardError, 'quiet'),
      of('index', ({ index }) => index, 'index'),
      reads,
      ...ends,
    ],
    words:
      'rawIndexMean' in decomposition
        ? adjustmentWords(decomposition.rawIndexMean, decompose.adjust)
        : '',
  }
})

function reading(index: number): string {
  if (!isFactor.value) {
    return formatSigned(index / format.value.divisor, format.value.decimals)
  }
  return formatChange((index - 1) * 100, 0)
}

function adjustmentWords(rawMean: number, adjusted: boolean): string {
  const m = props.grid.seasons.length
  const factor = isFactor.value
  const figure = factor
    ? formatDecimals(rawMean, 4)
    : withUnit(
        formatDecimals(rawMean / ledger.scale.divisor, ledger.scale.decimals + 1),
        ledger.scale,
      )
  if (!adjusted) return `Mean of the ${m} raw indices ${figure}; they are not adjusted.`
  return factor
    ? `Mean of the ${m} raw indices ${figure}; each is divided by it, so that they average 1.`
    : `Mean of the ${m} raw indices ${figure}; it is taken from each, so that they sum to 0.`
}
</script>

<template>
  <div class="grid-frame">
    <v-table class="season-grid" :style="{ width: `calc(var(--gutter) + ${time.plotWidth}px)` }">
      <caption class="visually-hidden">
        {{
          row.label
        }}
        by year and season
      </caption>
      <colgroup>
        <col :style="{ width: 'var(--gutter)' }" />
        <col v-for="{ season } in grid.seasons" :key="season" />
      </colgroup>
      <thead>
        <tr>
          <th scope="col" class="corner muted">{{ row.means }}</th>
          <th
            v-for="{ season, label } in grid.seasons"
            :key="season"
            scope="col"
            :class="{ at: season === cursorSeason }"
          >
            {{ label.replace('season ', '') }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ year, cells } in grid.years" :key="year">
          <th scope="row">{{ year }}</th>
          <td
            v-for="(cell, i) in cells"
            :key="i"
            :class="{
              excluded: isExcluded(cell),
              selected: isSelected(cell),
              source: cell.t !== null && selection.sources.get(row.name)?.has(cell.t),
            }"
            :style="{ background: shade(cell.value) }"
            @click="cell.t !== null && selection.select({ column: row.name, t: cell.t })"
          >
            {{ cell.value === null ? (cell.t === null ? '' : '·') : text(cell.value) }}
          </td>
        </tr>
      </tbody>
      <tfoot>
        <template v-if="summary">
          <tr
            v-for="(line, i) in summary.rows"
            :key="line.name"
            :class="{
              first: i === 0,
              muted: line.kind === 'quiet',
              index: line.kind === 'index',
            }"
          >
            <th scope="row">{{ line.name }}</th>
            <td v-for="(cell, k) in line.cells" :key="k">{{ cell }}</td>
          </tr>
        </template>
        <tr v-else class="first">
          <th scope="row">mean</th>
          <td v-for="{ season, mean } in grid.seasons" :key="season">{{ text(mean) }}</td>
        </tr>
      </tfoot>
    </v-table>
    <p v-if="summary" class="muted adjustment">{{ summary.words }}</p>
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

.index {
  color: var(--season);
  font-weight: 700;
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
