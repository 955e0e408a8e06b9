<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { formatDecimals, formatPeriodCode, formatSigned, inReadersFigures } from '~/figures/format'
import { apartBeside } from '~/workers/core'
import { useRun } from '~/workers/run'
import type { Apart } from '~~/core/kept/apart'
import type { KeptForecast } from '~~/core/kept/kept'
import { displayScale } from '~~/core/words/displayScale'
import type { KeptDocument, KeptRow } from '~~/shared/api/kept'
import { seriesFromDocument } from '~~/shared/seriesSchema'
import { fetchKeptForecast } from './keptApi'

/** What lies between two kept forecasts of a series: new data, changed method, the hand. */
const props = defineProps<{
  /** The older one first. */
  before: KeptRow
  after: KeptRow
}>()
const found = shallowRef<Apart | null>(null)
// Of two that are asked for one after the other only the newer is wanted.
const { state, because, begin } = useRun()
watch(
  () => [props.before.id, props.after.id] as const,
  ([before, after]) => {
    found.value = null
    void begin(async ({ until }) => {
      const [one, other] = await Promise.all([fetchKeptForecast(before), fetchKeptForecast(after)])
      const apart = await apartBeside(forecastOf(one), forecastOf(other))
      if (until.aborted) return
      found.value = apart
      if (!apart) throw new Error('They forecast no period in common.')
    })
  },
  { immediate: true },
)

function forecastOf({ seriesThen, method, forecast }: KeptDocument): KeptForecast {
  return { series: seriesFromDocument(seriesThen), method, forecast }
}

const scale = computed(() => displayScale(found.value?.before ?? [], props.before.unit))
const figure = (value: number) => formatDecimals(value / scale.value.divisor, scale.value.decimals)
const signed = (value: number) => formatSigned(value / scale.value.divisor, scale.value.decimals)
const sum = (figures: readonly number[]) => figures.reduce((all, one) => all + one, 0)
const lines = computed(() => {
  if (!found.value) return []
  const { period, before, data, method, hand, after } = found.value
  return period.map((code, i) => ({
    label: formatPeriodCode(code, props.before.calendar),
    ...{ before: before[i]!, data: data[i]!, method: method[i]!, hand: hand[i]!, after: after[i]! },
  }))
})
const total = computed(
  () =>
    found.value && {
      before: sum(found.value.before),
      data: sum(found.value.data),
      method: sum(found.value.method),
      hand: sum(found.value.hand),
      after: sum(found.value.after),
    },
)
</script>

<template>
  <section class="apart" aria-live="polite">
    <h2 class="serif">
      From “{{ before.name }}” to “{{ after.name }}”
      <span v-if="scale.unit" class="muted small">{{ scale.unit }}</span>
    </h2>
    <p v-if="state === 'running'" class="muted" role="status">
      Running the old method on the new values…
    </p>
    <p v-else-if="because" role="alert">{{ inReadersFigures(because) }}</p>
    <template v-else-if="total">
      <p class="muted small">
        New data: the old method on the new values. Changed method: the new method on them. The
        hand: what was assumed beside.
      </p>
      <v-table class="working-table">
        <thead>
          <tr class="head">
            <th scope="col">period</th>
            <th scope="col" class="number">{{ before.name }}</th>
            <th scope="col" class="number">new data</th>
            <th scope="col" class="number">changed method</th>
            <th scope="col" class="number">the hand</th>
            <th scope="col" class="number">{{ after.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in lines" :key="line.label">
            <th scope="row">{{ line.label }}</th>
            <td class="number">{{ figure(line.before) }}</td>
            <td class="number">{{ signed(line.data) }}</td>
            <td class="number">{{ signed(line.method) }}</td>
            <td class="number">{{ signed(line.hand) }}</td>
            <td class="number">{{ figure(line.after) }}</td>
          </tr>
          <tr class="total">
            <th scope="row">together</th>
            <td class="number">{{ figure(total.before) }}</td>
            <td class="number">{{ signed(total.data) }}</td>
            <td class="number">{{ signed(total.method) }}</td>
            <td class="number">{{ signed(total.hand) }}</td>
            <td class="number">{{ figure(total.after) }}</td>
          </tr>
        </tbody>
      </v-table>
    </template>
  </section>
</template>

<style scoped>
.apart {
  overflow-x: auto;
}

h2 {
  font-size: 18px;
  overflow-wrap: anywhere;
}

.head th {
  overflow: hidden;
  max-width: 160px;
  text-overflow: ellipsis;
}

.total th,
.total td {
  font-weight: 600;
}
</style>
