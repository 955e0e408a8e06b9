<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import type { ArimaForecast } from '~~/core/forecast/arima/calculate'
import {
  asDocument,
  givenModel,
  MOST_DIFFERENCES,
  MOST_ORDER,
  type ArimaOptions,
} from '~~/core/forecast/arima/options'
import type { Method } from '~~/core/method'
import { constantAllowed, type ArimaOrder } from '~~/core/stateSpace/arima/order'
import NumberField from '../../controls/NumberField.vue'
import { useTriedChange } from '../../controls/triedChange'
import { useBench } from '../../study/benchStore'

/** Orders of an ARIMA model: chosen, or each by hand. */
const props = defineProps<{ method: Method }>()
defineEmits<{ done: [] }>()
const bench = useBench()
const { problem, change } = useTriedChange()
const options = computed(() => props.method.forecast as ArimaOptions)
const given = computed(() => givenModel(options.value))
/** What was found: where by hand begins. */
const found = computed(() => bench.result?.forecast as ArimaForecast | undefined)
const hasSeason = computed(() => bench.series!.calendar.seasons > 1)

const CHOICES = [
  { value: 'stepwise', title: 'chosen step by step, by AICc' },
  { value: 'full', title: 'the best of all up to five terms' },
  { value: 'given', title: 'by hand' },
] as const

function choose(how: ArimaOptions['choose']) {
  if (how === 'given') {
    const { order, constant } = found.value ?? {}
    if (order && constant) take(order, constant !== 'none')
    return
  }
  change({
    forecast: {
      choose: how,
      ...{ orders: undefined, seasonalOrders: undefined, constant: undefined },
    },
  })
}

function take(order: ArimaOrder, wantsConstant: boolean) {
  const constant = wantsConstant ? constantAllowed(order) : 'none'
  change({ forecast: { ...asDocument({ order, constant }), seasonal: undefined } })
}

/** One order changed; a constant stays where the differences leave room for one. */
function step(key: keyof ArimaOrder, value: number) {
  const { order, constant } = given.value!
  const next = { ...order, [key]: value }
  const differences = (own: ArimaOrder) => own.d + own.D
  // A constant is another thing with other differences: it comes with what is usual there.
  const wants =
    differences(next) === differences(order)
      ? constant !== 'none'
      : constantAllowed(next) !== 'none'
  take(next, wants)
}

const ROWS = [
  { key: 'p', label: 'p, values before', most: MOST_ORDER, isSeasonal: false },
  { key: 'd', label: 'd, differences', most: MOST_DIFFERENCES, isSeasonal: false },
  { key: 'q', label: 'q, surprises before', most: MOST_ORDER, isSeasonal: false },
  { key: 'P', label: 'P, years before', most: MOST_ORDER, isSeasonal: true },
  { key: 'D', label: 'D, differences by the year', most: MOST_DIFFERENCES, isSeasonal: true },
  { key: 'Q', label: 'Q, surprises of years before', most: MOST_ORDER, isSeasonal: true },
] as const
const rows = computed(() => ROWS.filter(({ isSeasonal }) => hasSeason.value || !isSeasonal))
const allowed = computed(() => (given.value ? constantAllowed(given.value.order) : 'none'))
</script>

<template>
  <form class="orders" @submit.prevent="$emit('done')">
    <v-select
      :model-value="options.choose"
      aria-label="How the orders come about"
      :items="CHOICES"
      @update:model-value="choose"
    />
    <template v-if="given">
      <label v-for="{ key, label, most } in rows" :key="key" class="row">
        {{ label }}
        <NumberField
          :model-value="given.order[key]"
          :label="label"
          :least="0"
          :most="most"
          @update:model-value="step(key, $event)"
        />
      </label>
      <v-checkbox-btn
        v-if="allowed !== 'none'"
        :model-value="given.constant !== 'none'"
        :label="`with a ${allowed}`"
        @update:model-value="take(given.order, Boolean($event))"
      />
    </template>
    <p class="muted small">
      Criteria compare models of the same differences on the same values alone.
    </p>
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
  </form>
</template>

<style scoped>
.orders {
  display: grid;
  gap: 6px;
  width: 320px;
  padding: 12px 16px 14px;
}

.row {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
}

p {
  margin: 0;
}

.refused {
  color: var(--danger);
}
</style>
