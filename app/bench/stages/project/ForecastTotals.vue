<script setup lang="ts">
import { computed } from 'vue'
import { formatChange } from '~/figures/format'
import { totalsByQuarter, totalsByYear, type Total } from '~~/core/forecast/totals'
import { calendarOfResult, startOfResult } from '~~/core/ledger/calendarOfResult'
import type { Result } from '~~/core/result'
import { useLedger } from '../../view/ledgerStore'

/** What years and quarters come to, beside the same a year earlier and against it in per cent. */
const props = defineProps<{ result: Result }>()
const ledger = useLedger()
/** A level has no totals: twelve prices are no price. */
const title = computed(() => (props.result.series.quantity === 'level' ? 'Means' : 'Totals'))
const groups = computed(() => {
  const { columns, forecast } = props.result
  const of = {
    calendar: calendarOfResult(props.result),
    start: startOfResult(props.result),
    firstT: columns.t[0]!,
    values: columns.value,
    forecast: forecast.forecast,
    quantity: props.result.series.quantity,
  }
  const { assumed } = props.result
  /** The same of the statistical forecast, where that is bent. */
  const statistical = assumed && { ...of, forecast: assumed.statistical.forecast }
  return [
    { name: 'year', rows: totalsByYear(of), unbent: statistical && totalsByYear(statistical) },
    {
      name: 'quarter',
      rows: totalsByQuarter(of),
      unbent: statistical && totalsByQuarter(statistical),
    },
  ].filter(({ rows }) => rows.length > 0)
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
          <th v-if="group.unbent" scope="col" class="number">statistical</th>
          <th scope="col" class="number">a year before</th>
          <th scope="col" class="number">change</th>
        </tr>
        <tr v-for="(row, i) in group.rows" :key="row.label">
          <th scope="row">
            {{ row.label }} <span v-if="partly(row)" class="muted small">{{ partly(row) }}</span>
          </th>
          <td class="number">{{ ledger.onScale(row.total) }}</td>
          <td v-if="group.unbent" class="number">
            {{ ledger.onScale(group.unbent[i]!.total) }}
          </td>
          <td class="number">{{ ledger.onScale(row.before) }}</td>
          <td class="number">{{ row.change === null ? '–' : formatChange(100 * row.change) }}</td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>

<style scoped>
.head th {
  padding-top: 6px !important;
}
</style>
