<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import type { ArimaFigures } from '~~/core/arima/model'
import {
  givenModel,
  MOST_DIFFERENCES,
  MOST_ORDER,
  type OrderOptions,
} from '~~/core/arima/orderOptions'
import { onePeriod } from '~~/core/calendar/labels'
import { constantAllowed, type ArimaOrder } from '~~/core/stateSpace/arima/order'
import NumberField from '../../controls/NumberField.vue'
import { useTriedChange } from '../../controls/triedChange'
import { useBench } from '../../study/benchStore'
import { modelChange } from './modelChange'
import type { ModelPart } from './shown'

/** Orders of an ARIMA model: chosen, or each by hand. */
const props = defineProps<{
  part: ModelPart
  options: OrderOptions
  /** What was found: where by hand begins; none while nothing is. */
  found: ArimaFigures | undefined
}>()
const bench = useBench()
const { problem, change } = useTriedChange()
const given = computed(() => givenModel(props.options))
const isSeasonal = computed(() => props.part === 'forecast' && bench.series!.calendar.seasons > 1)
const per = computed(() => onePeriod(bench.series!.calendar))

const CHOICES = [
  { value: 'stepwise', title: 'chosen step by step, by AICc' },
  { value: 'full', title: 'the best of all up to five terms' },
  { value: 'given', title: 'by hand' },
] as const

function choose(how: OrderOptions['choose']) {
  if (how === 'given') {
    if (props.found) take(props.found.order, props.found.constant !== 'none')
    return
  }
  const none = { orders: undefined, constant: undefined, near: undefined }
  const ofSeason = props.part === 'forecast' ? { seasonalOrders: undefined } : {}
  change({ [props.part]: { choose: how, ...none, ...ofSeason } })
}

function take(order: ArimaOrder, wantsConstant: boolean) {
  const constant = wantsConstant ? constantAllowed(order) : 'none'
  change(modelChange(props.part, { order, constant }))
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
  { label: 'values before', keys: ['p', 'P'], most: MOST_ORDER },
  { label: 'differences', keys: ['d', 'D'], most: MOST_DIFFERENCES },
  { label: 'surprises before', keys: ['q', 'Q'], most: MOST_ORDER },
] as const
const columns = computed(() => [
  { at: 0, label: `by the ${per.value}` },
  ...(isSeasonal.value ? [{ at: 1, label: 'by the year' }] : []),
])
const allowed = computed(() => (given.value ? constantAllowed(given.value.order) : 'none'))
</script>

<template>
  <div class="orders">
    <v-select
      :model-value="options.choose"
      aria-label="How the orders come about"
      :items="CHOICES"
      @update:model-value="choose"
    />
    <template v-if="given">
      <div class="grid" :class="{ plain: !isSeasonal }">
        <span />
        <span v-for="{ at, label } in columns" :key="at" class="muted small">{{ label }}</span>
        <template v-for="{ label, keys, most } in ROWS" :key="label">
          <span>{{ label }}</span>
          <label v-for="{ at, label: apart } in columns" :key="at" class="field">
            <i>{{ keys[at] }}</i>
            <NumberField
              :model-value="given.order[keys[at]!]"
              :label="`${keys[at]}, ${label} ${apart}`"
              :least="0"
              :most="most"
              @update:model-value="step(keys[at]!, $event)"
            />
          </label>
        </template>
      </div>
      <v-checkbox-btn
        v-if="allowed !== 'none'"
        :model-value="given.constant !== 'none'"
        :label="`with a ${allowed}`"
        @update:model-value="take(given.order, Boolean($event))"
      />
    </template>
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
  </div>
</template>

<style scoped>
.orders {
  display: grid;
  gap: 6px;
}

.grid {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 4px 12px;
  align-items: center;
  font-size: 13px;
}

.grid.plain {
  grid-template-columns: 1fr auto;
}

.field {
  display: flex;
  gap: 6px;
  align-items: center;
}

.refused {
  margin: 0;
  color: var(--danger);
}
</style>
