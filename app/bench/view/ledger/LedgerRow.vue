<script setup lang="ts">
import { computed } from 'vue'
import { useTheme } from '~/theme/themeStore'
import type { Value } from '~~/core/series/series'
import { periodsInside, xOf } from '~~/core/picture/draw/timeAxis'
import { useLedger, type Row } from '../ledgerStore'
import { useSelection } from '../selectionStore'
import { useWindow } from '../windowStore'
import { cellId } from './cellId'
import { cellWords } from './cellWords'
import { cellFormat, figureText } from './fitting'
import { cssShade, shadeOf, type Range } from './shade'

/** One row of the ledger: its name, and its figures inside the window. */
const props = defineProps<{
  row: Row
  /** Place in the grid, from 1; the row of periods is the first. */
  index: number
  /** Pixels of a column, as wide as its figures need; null where they are drawn as marks. */
  width: number | null
  range: Range | null
}>()
const ledger = useLedger()
const time = useWindow()
const selection = useSelection()
const theme = useTheme()

interface ShownCell {
  readonly t: number
  readonly text: string
  /** Row, period and the figure in full, with its unit. */
  readonly words: string
  /** Place, width and shade; as one text, since hundreds of cells are compared at every change. */
  readonly style: string
  readonly kinds: readonly string[]
}

/** As many decimals as fit the row's longest figure. */
const format = computed(() =>
  cellFormat(props.row, ledger.figures.get(props.row.name) ?? [], ledger.scale, props.width ?? 0),
)

/** Cells inside the window; an off-centre row reaches one further at the left. */
const cells = computed<ShownCell[]>(() => {
  const { row, width } = props
  if (width === null) return []
  const { axis } = time
  const { valueAt, labelAt } = ledger
  const periods = periodsInside(axis)
  const first = Math.max(ledger.firstT, periods[0]! - Math.ceil(row.offset))
  const last = Math.min(ledger.lastT, periods.at(-1)! - Math.floor(row.offset))
  const all: ShownCell[] = []
  for (let t = first; t <= last; t++) {
    const value = valueAt(row.name, t)
    const left = xOf(axis, t + row.offset) - width / 2
    all.push({
      t,
      // A cell that the edge of the axis cuts through would show half a figure.
      text: isWhole(left, width) ? figureText(value, format.value) : '',
      words: cellWords(row, labelAt(t), value),
      style: `left: ${left}px; width: ${width}px${shadeAt(value)}`,
      kinds: value === null ? ['empty', ...marksAt(t, value)] : ['cell', ...marksAt(t, value)],
    })
  }
  return all
})

function isWhole(left: number, width: number): boolean {
  return left >= -1 && left + width <= time.plotWidth + 1
}

function shadeAt(value: Value): string {
  const { row, range } = props
  return row.name === 'seasonalIrregular' && range && value !== null
    ? `; background: ${cssShade(shadeOf(row, value, range, theme.palette, 0.28))}`
    : ''
}

function marksAt(t: number, value: Value): string[] {
  const { row } = props
  const isSelected = selection.selected?.column === row.name && selection.selected.t === t
  return [
    row.name === 'seasonalIrregular' && ledger.leftOut.has(t) ? 'excluded' : '',
    row.name === 'value' && value !== ledger.valueAt('original', t) ? 'changed' : '',
    isSelected ? 'selected' : '',
    selection.sources.get(row.name)?.has(t) ? 'source' : '',
    row.offset % 1 !== 0 && value !== null ? 'straddling' : '',
    row.measure === 'percent' && value !== null && value < 0 ? 'falls' : '',
  ].filter((kind) => kind !== '')
}
</script>

<template>
  <div
    class="row"
    :class="[row.component, { pinned: row.pinned !== undefined }]"
    :data-row="row.name"
    role="row"
    :aria-rowindex="index"
  >
    <div role="rowheader" class="head" aria-colindex="1">
      <span class="label">{{ row.label }}</span>
      <span class="means">{{
        (row.name === 'value' || row.name === 'original') && ledger.scale.unit
          ? ledger.scale.unit
          : row.means
      }}</span>
    </div>
    <div class="cells" role="presentation" :style="{ width: `${time.plotWidth}px` }">
      <div
        v-for="cell in cells"
        :id="cellId(row.name, cell.t)"
        :key="cell.t"
        role="gridcell"
        :class="cell.kinds"
        :data-t="cell.t"
        :aria-colindex="cell.t - ledger.firstT + 2"
        :aria-label="cell.words"
        data-tip
        :aria-selected="cell.kinds.includes('selected')"
        :style="cell.style"
      >
        {{ cell.text }}
      </div>
      <div v-if="width === null" role="gridcell" class="visually-hidden">
        Zoom in to read the figures.
      </div>
    </div>
  </div>
</template>

<style scoped>
.row {
  position: relative;
  height: var(--row-height);
  border-bottom: 1px solid var(--rule);
  box-sizing: border-box;
}

.row[aria-rowindex='2'] {
  box-shadow: 0 -1px 0 var(--rule);
}

.head {
  position: absolute;
  inset: 1px auto 0 12px;
  width: calc(var(--gutter) - 16px);
  overflow: hidden;
  line-height: 1.12;
  white-space: nowrap;
}

.label {
  display: block;
  overflow: hidden;
  font-size: 11px;
  font-weight: 600;
  text-overflow: ellipsis;
}

.means {
  display: block;
  overflow: hidden;
  color: var(--muted);
  font-size: 11px;
  text-overflow: ellipsis;
}

.cells {
  position: absolute;
  inset: 0 auto 0 var(--gutter);
  overflow: hidden;
}

.cell,
.empty {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 0;
  cursor: pointer;
}

/* A fall is told from a rise by more than its sign. */
.row .falls {
  color: var(--danger);
}

.cell {
  overflow: clip visible;
  contain: strict;
  font-size: 11px;
  line-height: 24px;
  text-align: center;
  font-variant-numeric: tabular-nums;
  letter-spacing: -0.02em;
  white-space: nowrap;
}

.straddling::before {
  position: absolute;
  inset: 3px 2px;
  border-radius: 3px;
  background: color-mix(in srgb, var(--trend-cycle) 9%, transparent);
  content: '';
}

.original {
  color: var(--original);
}

.trendCycle {
  color: var(--trend-cycle-text);
}

.season {
  color: var(--season-text);
}

.irregular {
  color: var(--irregular-text);
}

.deseasonalized {
  color: var(--deseasonalized-text);
}

.forecast {
  color: var(--forecast-text);
}

.row[data-row='forecast'] .cell {
  font-weight: 700;
}

.shaded {
  color: var(--ink);
}

/* Paler, but for its name, which is pale enough to be read. */
.pinned > :not(.head) {
  opacity: 0.72;
}

.pinned .label {
  font-style: italic;
  font-weight: 400;
}

.head .label {
  color: var(--ink);
}

.excluded {
  opacity: 0.65;
  text-decoration: line-through;
}

.changed {
  font-style: italic;
  text-decoration: underline dotted;
}

.source::after,
.selected::after {
  position: absolute;
  inset: 1px 0;
  border: 1.5px solid var(--cursor);
  border-radius: 3px;
  content: '';
}

.selected::after {
  border-color: var(--ink);
}
</style>
