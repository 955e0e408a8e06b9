<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useTheme } from '~/theme/themeStore'
import { periodLabel } from '~~/core/calendar/labels'
import { periodAt } from '~~/core/calendar/period'
import type { Column } from '~~/core/column/column'
import { exclusionsOf } from '~~/core/method'
import { columnWidth, periodsInside, xOf } from '../axis/timeAxis'
import { useBench } from '../benchStore'
import { useView } from '../viewStore'
import { formatFigure } from '~/figures/format'
import { cellFormat, figureText } from './fitting'
import { drawMarks } from './marks'
import { cssShade, rangeOf, shadeOf, type Range } from './shade'

const ROW_HEIGHT = 28
const bench = useBench()
const view = useView()
const theme = useTheme()
const marks = ref<HTMLCanvasElement | null>(null)

const width = computed(() => columnWidth(view.axis))
const asNumbers = computed(() => width.value >= view.numbersFrom)
const periods = computed(() => periodsInside(view.axis))
const excluded = computed(
  () => new Set(bench.result ? exclusionsOf(bench.result.method).map(({ period }) => period) : []),
)

const ranges = computed(
  () =>
    new Map<string, Range | null>(
      [...view.figures].map(([column, values]) => [column, rangeOf(values)]),
    ),
)

interface ShownCell {
  readonly t: number
  readonly id: string
  readonly text: string
  /** The figure in full, with its unit. */
  readonly full: string
  readonly left: number
  readonly shade: string | undefined
  readonly kinds: readonly string[]
}

function isWhole(left: number): boolean {
  return left >= -1 && left + width.value <= view.plotWidth + 1
}

/** As many decimals as fit the row's longest figure. */
function formatOf(row: Column) {
  return cellFormat(row, view.figures.get(row.name) ?? [], view.scale, width.value)
}

/** Cells of a row inside the window; an off-centre row reaches one further at the left. */
function cellsOf(row: Column): ShownCell[] {
  const range = ranges.value.get(row.name)
  const format = formatOf(row)
  const shift = Math.floor(row.offset)
  const first = periods.value[0]! - Math.ceil(row.offset)
  const cells: ShownCell[] = []
  for (let t = first; t <= periods.value.at(-1)! - shift; t++) {
    const value = view.valueAt(row.name, t)
    if (value === null) continue
    const left = xOf(view.axis, t + row.offset) - width.value / 2
    const isExcluded = row.name === 'seasonalIrregular' && excluded.value.has(periodCode(t))
    cells.push({
      t,
      id: cellId(row.name, t),
      // A cell that the edge of the axis cuts through would show half a figure.
      text: isWhole(left) ? figureText(value, format) : '',
      full: `${formatFigure(value)} ${row.unit}`,
      left,
      shade:
        row.name === 'seasonalIrregular' && range
          ? cssShade(shadeOf(row, value, range, theme.palette, 0.34))
          : undefined,
      kinds: [
        isExcluded ? 'excluded' : '',
        row.name === 'value' && value !== view.valueAt('original', t) ? 'changed' : '',
        view.selected?.column === row.name && view.selected.t === t ? 'selected' : '',
        view.sources.get(row.name)?.has(t) ? 'source' : '',
      ],
    })
  }
  return cells
}

function periodCode(t: number): string {
  return bench.shown?.columns.period[t - view.firstT] ?? ''
}

function cellId(column: string, t: number): string {
  return `cell-${column.replace(/[^\w]/g, '-')}-${t}`
}

const activeId = computed(() =>
  view.selected && asNumbers.value ? cellId(view.selected.column, view.selected.t) : undefined,
)

/** The cell under a click, whether it is drawn as a number or as a mark. */
function onClick(event: MouseEvent) {
  const body = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const row = view.rows[Math.floor((event.clientY - body.top) / ROW_HEIGHT)]
  const x = event.clientX - body.left - view.gutter
  if (!row || x < 0) return
  const t = Math.round(view.axis.from + x / width.value - row.offset)
  if (t >= view.firstT && t <= view.lastT) view.select({ column: row.name, t })
}

function redraw() {
  if (asNumbers.value || !marks.value) return
  drawMarks(marks.value, {
    axis: view.axis,
    rows: view.rows,
    rowHeight: ROW_HEIGHT,
    firstT: view.firstT,
    figures: view.figures,
    ranges: ranges.value,
    palette: theme.palette,
    selected: view.selected,
    sources: view.sources,
  })
}
watch(
  () => [
    view.axis,
    view.rows,
    ranges.value,
    theme.palette,
    view.sources,
    view.selected,
    asNumbers.value,
  ],
  () => nextTick(redraw),
)
onMounted(redraw)

const selectedWords = computed(() => {
  const cell = view.selected
  if (!cell || !bench.series) return ''
  const { calendar, start } = bench.series
  const row = view.everyRow.find(({ name }) => name === cell.column)
  const value = view.valueAt(cell.column, cell.t)
  const period = periodLabel(periodAt(start, cell.t, calendar.seasons), calendar)
  return `${row?.label}, ${period}: ${row && value !== null ? `${formatFigure(value)} ${row.unit}` : 'no figure here'}`
})
</script>

<template>
  <div class="ledger" @click="onClick">
    <div
      role="grid"
      aria-label="Ledger: periods run to the right, steps of the calculation downwards"
      tabindex="0"
      :aria-rowcount="view.rows.length"
      :aria-colcount="view.lastT - view.firstT + 1"
      :aria-activedescendant="activeId"
    >
      <div
        v-for="row in view.rows"
        :key="row.name"
        class="row"
        :class="[row.component, { pinned: row.pinned !== undefined }]"
        :data-row="row.name"
        role="row"
        :style="{ height: `${ROW_HEIGHT}px` }"
      >
        <div role="rowheader" class="head">
          <span class="label">{{ row.label }}</span>
          <span class="means">{{
            row.name === 'value' || row.name === 'original' ? view.scale.unit : row.means
          }}</span>
        </div>
        <div class="cells" role="presentation" :style="{ width: `${view.plotWidth}px` }">
          <template v-if="asNumbers">
            <div
              v-for="cell in cellsOf(row)"
              :id="cell.id"
              :key="cell.t"
              role="gridcell"
              class="cell"
              :class="[cell.kinds, { straddling: row.offset % 1 !== 0, shaded: cell.shade }]"
              :data-t="cell.t"
              :title="cell.full"
              :aria-selected="cell.kinds.includes('selected')"
              :style="{
                transform: `translateX(${cell.left}px)`,
                width: `${width}px`,
                background: cell.shade,
              }"
            >
              {{ cell.text }}
            </div>
          </template>
          <div v-else role="gridcell" class="visually-hidden">Zoom in to read the figures.</div>
        </div>
      </div>
    </div>
    <canvas
      v-show="!asNumbers"
      ref="marks"
      class="marks"
      role="presentation"
      :style="{ left: `${view.gutter}px` }"
    />
    <p class="visually-hidden" aria-live="polite">{{ selectedWords }}</p>
  </div>
</template>

<style scoped>
.ledger {
  position: relative;
}

.row {
  position: relative;
  border-bottom: 1px solid var(--rule);
  box-sizing: border-box;
}

.row:first-child {
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

.cell {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 0;
  overflow: clip visible;
  contain: strict;
  font-size: 11px;
  line-height: 24px;
  text-align: center;
  font-variant-numeric: tabular-nums;
  letter-spacing: -0.02em;
  white-space: nowrap;
  cursor: pointer;
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

.pinned {
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

.marks {
  position: absolute;
  top: 0;
  pointer-events: none;
}
</style>
