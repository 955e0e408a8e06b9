<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { isOfMonths } from '~~/core/calendar/civil'
import type { Method } from '~~/core/method'
import {
  stateOf,
  withChoice,
  withErrors,
  withList,
  withState,
  type EffectState,
  type UsualEffect,
} from '~~/core/prepare/calendar/byHand'
import type { CalendarDocument } from '~~/core/prepare/calendar/options'
import { LEAST_WINDOW, MOST_WINDOW } from '~~/core/regression/regressors/calendar/easter'
import NumberField from '../../controls/NumberField.vue'
import { useTriedChange } from '../../controls/triedChange'
import { useBench } from '../../study/benchStore'
import GiveToOthers from './GiveToOthers.vue'
import OwnDates from './OwnDates.vue'

/** Each effect of the calendar by itself: left in, taken out, or taken out where it helps; and dates of one's own. */
const props = defineProps<{ method: Method }>()
const bench = useBench()
const { problem, change } = useTriedChange()
const asked = computed<CalendarDocument>(() => props.method.calendar ?? {})
const lists = computed(() => asked.value.holidays ?? [])

/** Days and weeks have none of what months differ by: lists of dates alone. */
const hasMonths = computed(() => isOfMonths(bench.series!.calendar))
const EFFECTS = [
  { key: 'tradingDay', label: 'Trading days' },
  { key: 'length', label: 'Length' },
  { key: 'easter', label: 'Easter' },
] as const satisfies readonly { readonly key: UsualEffect; readonly label: string }[]
const STATES: readonly { readonly value: EffectState; readonly title: string }[] = [
  { value: 'in', title: 'left in' },
  { value: 'out', title: 'taken out' },
  { value: 'where-it-helps', title: 'where it helps' },
]
const KINDS = {
  tradingDay: [
    { value: 'six', title: 'each day of the week' },
    { value: 'one', title: 'weekdays against weekends' },
  ],
  length: [
    { value: 'leap-year', title: 'leap days' },
    { value: 'length-of-period', title: 'days of the period' },
    { value: 'divide', title: 'divided by its days' },
  ],
} as const

const ERRORS = [
  { value: 'independent', title: 'independent errors' },
  { value: 'arima', title: 'as an ARIMA model has it' },
] as const
const isAny = computed(() => props.method.calendar !== undefined)

/** What divides the values is left to no criterion. */
function statesOf(key: string) {
  const isDivided = key === 'length' && asked.value.length === 'divide'
  return isDivided ? STATES.filter(({ value }) => value !== 'where-it-helps') : STATES
}
</script>

<template>
  <v-expansion-panels class="by-hand" multiple>
    <v-expansion-panel v-if="hasMonths || isAny" title="Each by hand">
      <v-expansion-panel-text>
        <div v-for="{ key, label } in hasMonths ? EFFECTS : []" :key="key" class="row">
          <span class="label">{{ label }}</span>
          <v-select
            :model-value="stateOf(asked, key)"
            :aria-label="label"
            :items="statesOf(key)"
            @update:model-value="change(withState(asked, key, $event))"
          />
          <v-select
            v-if="key !== 'easter' && stateOf(asked, key) !== 'in'"
            :model-value="asked[key] ?? KINDS[key][0].value"
            :aria-label="`Kind of ${label}`"
            :items="KINDS[key]"
            @update:model-value="change(withChoice(asked, key, $event))"
          />
          <span v-else-if="key === 'easter' && asked.easter !== undefined" class="figure">
            <NumberField
              :model-value="asked.easter"
              label="Days before Easter"
              :least="LEAST_WINDOW"
              :most="MOST_WINDOW"
              @update:model-value="change(withChoice(asked, key, $event))"
            />
            days before it
          </span>
        </div>
        <div v-for="list in lists" :key="list.name" class="row">
          <span class="label name">
            {{ list.name }}
            <span class="muted small">{{ list.dates.length }} dates</span>
          </span>
          <v-select
            :model-value="stateOf(asked, list.name)"
            :aria-label="list.name"
            :items="STATES"
            @update:model-value="change(withList(asked, list, $event))"
          />
          <span class="figure">
            <NumberField
              :model-value="list.before ?? 0"
              :label="`Days before ${list.name}`"
              :least="0"
              :most="60"
              @update:model-value="
                change(withList(asked, { ...list, before: $event }, stateOf(asked, list.name)))
              "
            />
            days before,
            <NumberField
              :model-value="list.after ?? 0"
              :label="`Days after ${list.name}`"
              :least="0"
              :most="60"
              @update:model-value="
                change(withList(asked, { ...list, after: $event }, stateOf(asked, list.name)))
              "
            />
            after
          </span>
          <GiveToOthers v-if="!bench.frozen" :list="list" />
        </div>
        <div v-if="isAny" class="row">
          <span class="label">What is left</span>
          <v-select
            :model-value="asked.errors ?? 'independent'"
            aria-label="What the effects leave"
            :items="ERRORS"
            @update:model-value="change(withErrors(asked, $event))"
          />
        </div>
        <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
      </v-expansion-panel-text>
    </v-expansion-panel>
    <v-expansion-panel title="Dates of your own">
      <v-expansion-panel-text>
        <OwnDates :asked="asked" />
      </v-expansion-panel-text>
    </v-expansion-panel>
  </v-expansion-panels>
</template>

<style scoped>
.by-hand {
  padding: 0 16px 10px;
}

.row {
  display: grid;
  grid-template-columns: 96px 1fr;
  gap: 4px 10px;
  align-items: center;
  min-height: 36px;
}

.row > :nth-child(3) {
  grid-column: 2;
}

.label {
  overflow-wrap: anywhere;
}

.name .small {
  display: block;
}

.figure {
  display: flex;
  gap: 6px;
  align-items: center;
}

.refused {
  margin: 6px 0;
  color: var(--danger);
}
</style>
