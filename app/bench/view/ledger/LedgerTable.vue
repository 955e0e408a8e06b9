<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useTheme } from '~/theme/themeStore'
import { columnWidth, periodsInside } from '~~/core/picture/draw/timeAxis'
import { useLedger } from '../ledgerStore'
import { useSelection } from '../selectionStore'
import { useWindow } from '../windowStore'
import { cellId } from './cellId'
import { cellWords } from './cellWords'
import LedgerRow from './LedgerRow.vue'
import { drawMarks } from './marks'
import { rangeOf, type Range } from './shade'

const ROW_HEIGHT = 28
const ledger = useLedger()
const time = useWindow()
const selection = useSelection()
const theme = useTheme()
const marks = ref<HTMLCanvasElement | null>(null)

const width = computed(() => columnWidth(time.axis))
const asNumbers = computed(() => width.value >= time.numbersFrom)
const ranges = computed(
  () =>
    new Map<string, Range | null>(
      [...ledger.figures].map(([column, values]) => [column, rangeOf(values)]),
    ),
)
/** Periods of the ledger inside the window, which head its columns. */
const periods = computed(() =>
  periodsInside(time.axis).filter((t) => t >= ledger.firstT && t <= ledger.lastT),
)
const activeId = computed(() =>
  selection.selected && asNumbers.value
    ? cellId(selection.selected.column, selection.selected.t)
    : undefined,
)

/** The cell under a click, whether it is drawn as a number or as a mark. */
function onClick(event: MouseEvent) {
  const body = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const row = ledger.rows[Math.floor((event.clientY - body.top) / ROW_HEIGHT)]
  const x = event.clientX - body.left - time.gutter
  if (!row || x < 0) return
  const t = Math.round(time.axis.from + x / width.value - row.offset)
  if (t >= ledger.firstT && t <= ledger.lastT) selection.select({ column: row.name, t })
}

function redraw() {
  if (asNumbers.value || !marks.value) return
  drawMarks(marks.value, {
    axis: time.axis,
    rows: ledger.rows,
    rowHeight: ROW_HEIGHT,
    firstT: ledger.firstT,
    figures: ledger.figures,
    ranges: ranges.value,
    palette: theme.palette,
    selected: selection.selected,
    sources: selection.sources,
  })
}
watch(
  () => [
    time.axis,
    ledger.rows,
    ranges.value,
    theme.palette,
    selection.sources,
    selection.selected,
    asNumbers.value,
  ],
  () => nextTick(redraw),
)
onMounted(redraw)

const selectedWords = computed(() => {
  const cell = selection.selected
  const row = ledger.everyRow.find(({ name }) => name === cell?.column)
  if (!cell || !row) return ''
  return cellWords(row, ledger.labelAt(cell.t), ledger.valueAt(cell.column, cell.t))
})
</script>

<template>
  <div
    class="ledger"
    data-area="ledger"
    :style="{ '--row-height': `${ROW_HEIGHT}px` }"
    @click="onClick"
  >
    <div
      role="grid"
      aria-label="Ledger: periods run to the right, steps of the calculation downwards"
      tabindex="0"
      :aria-rowcount="ledger.rows.length + 1"
      :aria-colcount="ledger.lastT - ledger.firstT + 2"
      :aria-activedescendant="activeId"
    >
      <div role="row" aria-rowindex="1" class="visually-hidden">
        <span role="columnheader" aria-colindex="1">step of the calculation</span>
        <template v-if="asNumbers">
          <span
            v-for="t in periods"
            :key="t"
            role="columnheader"
            :aria-colindex="t - ledger.firstT + 2"
          >
            {{ ledger.labelAt(t) }}
          </span>
        </template>
      </div>
      <LedgerRow
        v-for="(row, i) in ledger.rows"
        :key="row.name"
        :row="row"
        :index="i + 2"
        :width="asNumbers ? width : null"
        :range="ranges.get(row.name) ?? null"
      />
    </div>
    <canvas
      v-show="!asNumbers"
      ref="marks"
      class="marks"
      role="presentation"
      :style="{ left: `${time.gutter}px` }"
    />
    <p class="visually-hidden" aria-live="polite">{{ selectedWords }}</p>
  </div>
</template>

<style scoped>
.ledger {
  position: relative;
}

.marks {
  position: absolute;
  top: 0;
  pointer-events: none;
}
</style>
