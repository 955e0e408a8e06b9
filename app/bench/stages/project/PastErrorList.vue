<script setup lang="ts">
import { computed } from 'vue'
import { formatChange, formatFigure } from '~/figures/format'
import { countPeriods } from '~~/core/calendar/labels'
import { limitNamed } from '~~/core/forecast/columns'
import { errorsBehind } from '~~/core/forecast/pastErrors'
import type { Result } from '~~/core/result'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { ordinal } from '~~/core/words/ordinal'
import { useLedger } from '../../view/ledgerStore'
import { useSelection } from '../../view/selectionStore'

/** The errors of earlier forecasts that the selected limit is made of, the smallest first. */
const props = defineProps<{ result: Result }>()
const ledger = useLedger()
const selection = useSelection()

const past = computed(() => props.result.forecast.pastErrors!)
const areShares = computed(() => past.value.scale === 'shares')
const horizon = computed(() => selection.selected!.t - ledger.lastActual)
const level = computed(() => limitNamed(selection.selected!.column)!.level)
const behind = computed(() => errorsBehind(past.value, level.value, horizon.value))

const rows = computed(() =>
  (behind.value?.errors ?? []).map(({ origin, error }, i) => {
    const t = origin + behind.value!.horizon
    const came = ledger.valueAt('value', t)
    return {
      t,
      place: i + 1,
      label: ledger.labelAt(t),
      from: ledger.labelAt(origin),
      came,
      said: came === null ? null : areShares.value ? came / Math.exp(error) : came - error,
      error: areShares.value ? formatChange(100 * (Math.exp(error) - 1)) : ledger.onScale(error),
      size: formatFigure(Math.abs(error)),
      isTheOne: behind.value!.origin.how === 'rank' && behind.value!.origin.rank === i + 1,
    }
  }),
)
const words = computed(() => {
  const { origin, horizon: of } = behind.value!
  const ahead = `${countPeriods(of, calendarOfResult(props.result))} ahead`
  const which = `${rows.value.length} errors of forecasts ${ahead}, the smallest first`
  return origin.how === 'rank'
    ? `${which}; the ${ordinal(origin.rank)} makes the limit.`
    : `${which}: too few for a rank, so that their root mean square makes the limit.`
})
</script>

<template>
  <section v-if="behind" class="working-part">
    <h3>
      Errors behind the limit
      <span class="muted small">{{ ledger.scale.unit }}</span>
    </h3>
    <p class="muted small">{{ words }}</p>
    <v-table class="working-table">
      <caption class="visually-hidden">
        Errors of earlier forecasts
      </caption>
      <thead>
        <tr class="head">
          <th scope="col" class="number">#</th>
          <th scope="col">period, from</th>
          <th scope="col" class="number">forecast</th>
          <th scope="col" class="number">actual</th>
          <th scope="col" class="number">error</th>
          <th v-if="areShares" scope="col" class="number">|ln|</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.t" :class="{ one: row.isTheOne }">
          <td class="number">{{ row.place }}</td>
          <th scope="row">
            {{ row.label }} <span class="muted small">{{ row.from }}</span>
          </th>
          <td class="number">{{ ledger.onScale(row.said) }}</td>
          <td class="number">{{ ledger.onScale(row.came) }}</td>
          <td class="number">{{ row.error }}</td>
          <td v-if="areShares" class="number">{{ row.size }}</td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>

<style scoped>
.one th,
.one td {
  font-weight: 700;
}
</style>
