<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals } from '~/figures/format'
import { errorFigures } from '~~/core/check/errorFigures'
import type { Result } from '~~/core/result'
import { useLedger } from '../../view/ledgerStore'
import { useCheck } from './checkStore'

/** What would have been said at one origin, and what came. */
const props = defineProps<{ result: Result }>()
const check = useCheck()
const ledger = useLedger()

const tried = computed(() => check.tried!)
const isHoldout = computed(() => tried.value.origin === check.checked?.holdout.origin)
const level = computed(() => Math.max(0, ...props.result.method.forecast.levels))
const rows = computed(() => {
  const { origin, actual, forecast, limits } = tried.value
  const own = limits[level.value]
  return forecast.map((point, i) => {
    const came = actual[i] ?? null
    const [lower, upper] = [own?.lower[i] ?? null, own?.upper[i] ?? null]
    const isOutside =
      came !== null && ((lower !== null && came < lower) || (upper !== null && came > upper))
    return {
      label: ledger.labelAt(origin + 1 + i),
      point,
      came,
      error: came === null ? null : came - point,
      isOutside,
    }
  })
})
/** `Off by 3.2% on average; 11 of 12 within the 95% limits.` */
const summary = computed(() => {
  const { actual, forecast, scale } = tried.value
  const { mae, count } = errorFigures(actual, forecast, scale)
  if (mae === null) return 'Nothing came in these periods.'
  const came = actual.filter((value) => value !== null)
  const level = came.reduce((sum, value) => sum + value, 0) / count
  const off = level > 0 ? `${formatDecimals((100 * mae) / level, 1)}%` : ledger.onScale(mae)
  return `Off by ${off} on average`
})
const within = computed(() => {
  const came = rows.value.filter(({ came: one }) => one !== null)
  return `${came.filter(({ isOutside }) => !isOutside).length} of ${came.length} within the ${level.value}% limits of the model`
})
</script>

<template>
  <section class="working-part">
    <h3>
      From {{ ledger.labelAt(tried.origin) }}
      <span class="muted small">{{ ledger.scale.unit }}</span>
    </h3>
    <p class="small">
      <template v-if="isHoldout">The last {{ rows.length }} hidden. </template>{{ summary
      }}<template v-if="level > 0">; {{ within }}</template
      >.
    </p>
    <v-table class="working-table">
      <caption class="visually-hidden">
        Forecast from
        {{
          ledger.labelAt(tried.origin)
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
            {{ ledger.onScale(row.came)
            }}<span v-if="row.isOutside" data-tip="Outside the limits"> *</span>
          </td>
          <td class="number">{{ ledger.onScale(row.error) }}</td>
        </tr>
      </tbody>
    </v-table>
    <p v-if="rows.some(({ isOutside }) => isOutside)" class="muted small">
      * outside the {{ level }}% limits
    </p>
  </section>
</template>
