<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { errorFigures } from '~~/core/check/errorFigures'
import { offFrom } from '~~/core/check/verdict'
import { offWords } from '~~/core/check/words'
import type { Limits } from '~~/core/forecast/limits'
import type { Value } from '~~/core/series/series'
import { useBench } from '../study/benchStore'
import { useLedger } from './ledgerStore'

/** A forecast period by period beside what came, by how much it was off, and how much its limits held. */
const props = defineProps<{
  /** Time code of the last period that was known. */
  origin: number
  forecast: readonly number[]
  /** Same length. */
  actual: readonly Value[]
  /** What the analyst uses instead of values that came, where that is another. */
  instead?: readonly Value[]
  /** The widest limits, with their level in per cent; null for a forecast without any. */
  limits: (Limits & { readonly level: number }) | null
  /** What the limits are of, where the method has others: `of the model`. */
  limitsOf?: string
}>()
const bench = useBench()
const ledger = useLedger()

const rows = computed(() =>
  props.forecast.map((point, i) => {
    const came = props.actual[i] ?? null
    const [lower, upper] = [props.limits?.lower[i] ?? null, props.limits?.upper[i] ?? null]
    const isOutside =
      came !== null && ((lower !== null && came < lower) || (upper !== null && came > upper))
    return {
      label: ledger.labelAt(props.origin + 1 + i),
      point,
      came,
      instead: props.instead?.[i] ?? null,
      error: came === null ? null : came - point,
      isOutside,
    }
  }),
)
/** `Off by 3.2% on average`. */
const summary = computed(() => {
  const off = offFrom(errorFigures(props.actual, props.forecast, null).mae, props.actual)
  return off
    ? `Off by ${inReadersFigures(offWords(off, bench.series!.unit))} on average`
    : 'Nothing came in these periods'
})
/** `; 11 of 12 within the 95% limits`. */
const within = computed(() => {
  // A combination has no limits of a model: each of its is undefined.
  if (!props.limits || props.limits.lower.every((value) => value === null)) return ''
  const came = rows.value.filter(({ came: one }) => one !== null)
  const inside = came.filter(({ isOutside }) => !isOutside).length
  const whose = props.limitsOf ? ` ${props.limitsOf}` : ''
  return `; ${inside} of ${came.length} within the ${props.limits.level}% limits${whose}`
})
</script>

<template>
  <p class="small"><slot />{{ summary }}{{ within }}.</p>
  <v-table class="working-table">
    <caption class="visually-hidden">
      Forecast from
      {{
        ledger.labelAt(origin)
      }}
      beside what came
    </caption>
    <thead>
      <tr class="head">
        <th scope="col">period</th>
        <th scope="col" class="number">forecast</th>
        <th scope="col" class="number">actual</th>
        <th scope="col" class="number">error</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.label">
        <th scope="row">{{ row.label }}</th>
        <td class="number">{{ ledger.onScale(row.point) }}</td>
        <td class="number">
          <span v-if="row.instead !== null" class="muted small">
            ({{ ledger.onScale(row.instead) }} used)
          </span>
          {{ ledger.onScale(row.came)
          }}<span v-if="row.isOutside" data-tip="Outside the limits"> *</span>
        </td>
        <td class="number">{{ ledger.onScale(row.error) }}</td>
      </tr>
    </tbody>
  </v-table>
  <p v-if="limits && rows.some(({ isOutside }) => isOutside)" class="muted small">
    * outside the {{ limits.level }}% limits
  </p>
</template>
