<script setup lang="ts">
import { computed } from 'vue'
import { formatFigure, inReadersFigures } from '~/figures/format'
import { axisOf } from '~~/core/calendar/axis'
import { cycleLabel, oneCycle } from '~~/core/calendar/labels'
import { tableYear } from '~~/core/calendar/tableYear'
import { wayOf } from '~~/core/decompose/ways'
import { actualOf } from '~~/core/ledger/ledger'
import { MODEL } from '~~/core/model'
import { calendarOfResult, startOfResult } from '~~/core/ledger/calendarOfResult'
import type { Value } from '~~/core/series/series'
import type { Result } from '~~/core/result'
import { useLedger } from '../../view/ledgerStore'
import { useBeside } from '../../beside/besideStore'
import { useSelection } from '../../view/selectionStore'

const props = defineProps<{ result: Result }>()
const ledger = useLedger()
const selection = useSelection()
const beside = useBeside()
const t = computed(() => selection.selected?.t ?? ledger.lastActual)

/** With the year as it is folded, so that grid and working name a row alike. */
const calendar = computed(() => {
  const own = calendarOfResult(props.result)
  return { ...own, yearStart: beside.yearStart ?? own.yearStart }
})
const axis = computed(() =>
  axisOf({ calendar: calendar.value, start: startOfResult(props.result) }),
)
const cycle = computed(() => oneCycle(calendar.value))
const season = computed(() => axis.value.seasonOf(t.value))
const row = computed(() => props.result.seasons[season.value - 1]!)
const multiplicative = computed(() => props.result.method.decompose.model === 'multiplicative')

/** Every value of the season over the years, as bars of comparable length. */
const years = computed(() => {
  const { columns, method } = props.result
  const irregulars = actualOf(props.result, 'seasonalIrregular')
  const own = columns.t.flatMap((t, i) =>
    columns.season[i] === season.value
      ? [
          {
            t,
            year: cycleLabel(tableYear(axis.value.periodAt(t), calendar.value), calendar.value),
            value: irregulars[i]!,
            excluded: ledger.leftOut.has(t),
          },
        ]
      : [],
  )
  const zero = multiplicative.value ? 0 : MODEL[method.decompose.model].neutral
  const longest = Math.max(...own.map(({ value }) => Math.abs((value ?? zero) - zero)))
  return own.map((item) => ({
    ...item,
    share: item.value === null ? 0 : Math.abs(item.value - zero) / (longest || 1),
  }))
})
const way = computed(() => wayOf(props.result.method.decompose.by))
/** How the index came about, before the index itself. */
const steps = computed(() => {
  const { method, decomposition } = props.result
  return way.value.indexSteps(method.decompose, decomposition, row.value, calendar.value)
})
/** A standard error that is only rounding says nothing. */
function isTelling(error: Value): boolean {
  return error !== null && error > 1e-9 * Math.abs(row.value.index)
}
const indexName = computed(() =>
  `index ${way.value.indices(props.result.method.decompose)?.ofYear ?? ''}`.trim(),
)
</script>

<template>
  <section class="season working-part">
    <h3>{{ row.label }} over the {{ cycle }}s</h3>
    <v-table>
      <tbody>
        <tr
          v-for="item in years"
          :key="item.t"
          :class="{ excluded: item.excluded, current: item.t === t }"
          @click="selection.select({ column: 'seasonalIrregular', t: item.t })"
        >
          <th scope="row">{{ item.year }}</th>
          <td v-if="item.value === null" colspan="2" class="muted none">no average here</td>
          <template v-else>
            <td class="bar-cell">
              <span class="bar" :style="{ width: `${item.share * 100}%` }" />
            </td>
            <td class="number">{{ formatFigure(item.value) }}</td>
          </template>
        </tr>
      </tbody>
    </v-table>
    <dl>
      <template v-for="step in steps" :key="step.what">
        <dt>{{ step.what }}</dt>
        <dd>{{ formatFigure(step.value) }}</dd>
      </template>
      <dt class="index">{{ indexName }} for {{ row.label }}</dt>
      <dd class="index">{{ formatFigure(row.index) }}</dd>
    </dl>
    <p class="muted small">
      {{ inReadersFigures(row.reading)
      }}<template v-if="isTelling(row.standardError)"
        >; ± {{ formatFigure(row.standardError!) }} standard error over the {{ cycle }}s</template
      >
    </p>
    <p v-if="row.withoutFirst !== null && row.withoutLast !== null" class="muted small">
      Without the first {{ cycle }} {{ formatFigure(row.withoutFirst) }}, without the last
      {{ formatFigure(row.withoutLast) }}.
    </p>
  </section>
</template>

<style scoped>
h3 {
  margin-bottom: 4px;
  font-size: 13px;
}

.v-table {
  --cell: 1.5px 0;
}

tr {
  cursor: pointer;
}

th {
  width: 40px;
  padding-right: 6px;
  white-space: nowrap;
  color: var(--muted);
  font-size: 12px;
  font-weight: 400;
  text-align: left;
}

td {
  font-size: 12px;
}

.none {
  font-size: 11px;
  font-style: italic;
}

.bar-cell {
  width: 180px;
}

.bar {
  display: block;
  height: 10px;
  background: var(--season);
  opacity: 0.8;
}

.current .bar {
  opacity: 1;
}

.current th,
.current .number {
  color: var(--ink);
  font-weight: 700;
}

.excluded .bar {
  opacity: 0.3;
}

.excluded .number {
  color: var(--muted);
  text-decoration: line-through;
}

dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 3px 12px;
  margin: 8px 0 4px;
  padding-top: 6px;
  border-top: 1px solid var(--rule);
}

dd {
  margin: 0;
  font-variant-numeric: tabular-nums;
  text-align: right;
}

.index {
  font-weight: 700;
}

dd.index {
  color: var(--accent);
}
</style>
