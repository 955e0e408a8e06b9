<script setup lang="ts">
import { computed } from 'vue'
import { formatChange } from '~/figures/format'
import type { Total } from '~~/core/forecast/totals'
import { oneCycle } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { totalsOf } from '~~/core/ledger/totalled'
import type { Result } from '~~/core/result'
import { useLedger } from '../../view/ledgerStore'

/** What years and quarters come to, beside the same a year earlier and against it in per cent. */
const props = defineProps<{ result: Result }>()
const ledger = useLedger()
const cycle = computed(() => oneCycle(calendarOfResult(props.result)))
/** A level has no totals: twelve prices are no price. */
const title = computed(() => (props.result.series.quantity === 'level' ? 'Means' : 'Totals'))
const groups = computed(() => {
  const { assumed, scenarios = [] } = props.result
  /** Other forecasts beside: the statistical one where that is bent, and every scenario. */
  const beside = [
    ...(assumed ? [{ name: 'statistical', forecast: assumed.statistical.forecast }] : []),
    ...scenarios.map(({ name, bent }) => ({ name, forecast: bent.forecast })),
  ].map(({ name, forecast }) => ({ name, totals: totalsOf(props.result, forecast) }))
  return totalsOf(props.result).map(({ by, rows }, i) => ({
    name: by,
    rows,
    beside: beside.map(({ name, totals }) => ({ name, rows: totals[i]!.rows })),
  }))
})

/** `4 of 12 forecast`, or what keeps it from a total; nothing where all of it is forecast. */
function partly({ from, to, forecast, gap }: Total): string {
  if (gap) return `${gap} has no value`
  const periods = to - from + 1
  return forecast === periods ? '' : `${forecast} of ${periods} forecast`
}
</script>

<template>
  <section v-if="groups.length > 0" class="working-part">
    <h3>
      {{ title }} <span class="muted small">{{ ledger.scale.unit }}</span>
    </h3>
    <v-table class="working-table">
      <caption class="visually-hidden">
        {{
          title
        }}
        of the forecast
      </caption>
      <tbody v-for="group in groups" :key="group.name">
        <tr class="head">
          <th scope="col">{{ group.name }}</th>
          <th scope="col" class="number">forecast</th>
          <th v-for="one in group.beside" :key="one.name" scope="col" class="number other">
            {{ one.name }}
          </th>
          <th scope="col" class="number">a {{ cycle }} before</th>
          <th scope="col" class="number">change</th>
        </tr>
        <tr v-for="(row, i) in group.rows" :key="row.label">
          <th scope="row">
            {{ row.label }} <span v-if="partly(row)" class="muted small">{{ partly(row) }}</span>
          </th>
          <td class="number">{{ ledger.onScale(row.total) }}</td>
          <td v-for="one in group.beside" :key="one.name" class="number">
            {{ ledger.onScale(one.rows[i]!.total) }}
          </td>
          <td class="number">{{ ledger.onScale(row.before) }}</td>
          <td class="number">{{ row.change === null ? '–' : formatChange(100 * row.change) }}</td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>

<style scoped>
.other {
  overflow: hidden;
  max-width: 90px;
  text-overflow: ellipsis;
}

.head th {
  padding-top: 6px !important;
}
</style>
