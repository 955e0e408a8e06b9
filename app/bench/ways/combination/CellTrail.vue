<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { formatFigure, inReadersFigures } from '~/figures/format'
import type { Cell } from '~~/core/column/cell'
import { write } from '~~/core/column/kinds/kinds'
import { explain } from '~~/core/ledger/explain'
import { ledgerOf } from '~~/core/ledger/ledger'
import type { Result } from '~~/core/result'

/** A figure of a result that is not on the Bench, followed back cell by cell to the values it was made from. */
const props = defineProps<{ result: Result; start: Cell }>()
/** Cells that went in are a button each; a sum of hundreds shows the first. */
const MOST_SOURCES = 24

const trail = ref<Cell[]>([props.start])
watch(
  () => [props.start.column, props.start.t, props.result],
  () => (trail.value = [props.start]),
)

const told = computed(() =>
  explain(props.result, trail.value.at(-1)!.column, trail.value.at(-1)!.t),
)
const sources = computed(() => (told.value.defined ? told.value.sources : []))

function titleOf({ column, t }: Cell): string {
  return explain(props.result, column, t).title
}
function figureOf({ column, t }: Cell): string {
  const value = ledgerOf(props.result).run.value(column, t)
  return value === null ? '–' : formatFigure(value)
}
</script>

<template>
  <div class="cell-trail">
    <p v-if="trail.length > 1" class="back small">
      <template v-for="(cell, i) in trail.slice(0, -1)" :key="i">
        <v-btn variant="plain" class="step" @click="trail = trail.slice(0, i + 1)">
          {{ titleOf(cell) }}
        </v-btn>
        ›
      </template>
    </p>
    <h4>{{ told.title }}</h4>
    <p class="muted small">{{ told.means }}</p>
    <template v-if="told.defined">
      <p class="muted symbols">{{ write(told.expression) }}</p>
      <p class="numbers">{{ write(told.expression, formatFigure) }}</p>
      <p class="value">
        = {{ formatFigure(told.value) }} <span class="muted small">{{ told.unit }}</span>
      </p>
      <ul v-if="sources.length > 0" aria-label="Made from">
        <li v-for="cell in sources.slice(0, MOST_SOURCES)" :key="`${cell.column} ${cell.t}`">
          <v-btn variant="plain" class="step" @click="trail = [...trail, cell]">
            {{ titleOf(cell) }}
          </v-btn>
          <span class="figure">{{ figureOf(cell) }}</span>
        </li>
        <li v-if="sources.length > MOST_SOURCES" class="muted small">
          and {{ sources.length - MOST_SOURCES }} more
        </li>
      </ul>
    </template>
    <p v-else class="small">{{ inReadersFigures(told.because) }}</p>
  </div>
</template>

<style scoped>
h4 {
  margin: 6px 0 0;
  font-size: 13px;
}

p {
  margin: 0;
}

.back {
  margin-top: 6px;
}

.step {
  padding: 0;
  color: var(--accent);
  font: inherit;
  text-align: left;
}

.symbols {
  margin-top: 4px;
  font-size: 11.5px;
  overflow-wrap: anywhere;
}

.numbers {
  font-variant-numeric: tabular-nums;
  overflow-wrap: anywhere;
}

.value {
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}

ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  font-size: 12px;
}

.figure {
  font-variant-numeric: tabular-nums;
}
</style>
