<script setup lang="ts">
import { computed, reactive } from 'vue'
import { formatPeriodCode, inReadersFigures } from '~/figures/format'
import type { Method } from '~~/core/method'
import { againChange, stretchesOf, withoutStretch } from '~~/core/forecast/regression/eventChange'
import type { IndicatorAt, StepFrom, StretchAt } from '~~/core/regression/regressors/eventOptions'
import { axisOf } from '~~/core/calendar/axis'
import { useBench } from '../../study/benchStore'
import type { GivenColumn } from '~~/core/regression/regressors/givenOptions'
import GivenColumns from '../GivenColumns.vue'
import PeriodField from '../../controls/PeriodField.vue'
import { useTriedChange } from '../../controls/triedChange'

/** What happened, by name: while it lasted, or from a period on. */
const props = defineProps<{ method: Method }>()
const bench = useBench()
const { problem, change } = useTriedChange()
const indicators = computed<readonly IndicatorAt[]>(() =>
  'indicators' in props.method.forecast ? props.method.forecast.indicators : [],
)
const steps = computed<readonly StepFrom[]>(() =>
  'steps' in props.method.forecast ? props.method.forecast.steps : [],
)
/** Of a way that takes columns of one's own, those; null of any other. */
const given = computed<readonly GivenColumn[] | null>(() =>
  'given' in props.method.forecast ? props.method.forecast.given : null,
)
const added = reactive<{ name: string; from: string | null; to: string | null; stays: boolean }>({
  name: '',
  from: null,
  to: null,
  stays: false,
})

function label(code: string): string {
  return formatPeriodCode(code, bench.series!.calendar)
}

/** A stretch, and that it is still to come where it lies ahead. */
function stretchWords({ from, to }: StretchAt): string {
  const words = from === to ? label(from) : `${label(from)} to ${label(to)}`
  const series = bench.series!
  return axisOf(series).tOfCode(from)! > series.values.length ? `${words}, to come` : words
}

function take(events: { indicators?: readonly IndicatorAt[]; steps?: readonly StepFrom[] }) {
  change({ forecast: events })
}

function add() {
  const name = added.name.trim()
  if (name === '' || added.from === null) return
  if (added.stays) take({ steps: [...steps.value, { name, from: added.from }] })
  else {
    const stretch = { from: added.from, to: added.to ?? added.from }
    if (indicators.value.some((one) => one.name === name)) {
      change(againChange(props.method.forecast, name, stretch))
    } else take({ indicators: [...indicators.value, { name, ...stretch }] })
  }
  if (problem.value === '') Object.assign(added, { name: '', from: null, to: null })
}
</script>

<template>
  <div class="events named-list">
    <p class="muted small">
      Each takes its own effect out of trend and season. A stretch marked on the strips can be made
      one, too. The same name again: it happened once more, or is to come.
    </p>
    <template v-for="one in indicators" :key="one.name">
      <div v-for="(stretch, i) in stretchesOf(one)" :key="i" class="row">
        <span class="grow">
          <strong v-if="i === 0">{{ one.name }}</strong>
          <span v-else class="muted">{{ one.name }} again</span>
          {{ stretchWords(stretch) }}
        </span>
        <v-btn
          v-if="i === stretchesOf(one).length - 1"
          :aria-label="`again: ${one.name}`"
          @click="Object.assign(added, { name: one.name, stays: false })"
        >
          again
        </v-btn>
        <v-btn
          color="accent"
          :aria-label="`take out ${one.name}, ${stretchWords(stretch)}`"
          @click="change(withoutStretch(method.forecast, one.name, i))"
        >
          take out
        </v-btn>
      </div>
    </template>
    <div v-for="(one, i) in steps" :key="one.name" class="row">
      <span class="grow">
        <strong>{{ one.name }}</strong> from {{ label(one.from) }} on
      </span>
      <v-btn color="accent" @click="take({ steps: steps.filter((_, k) => k !== i) })">
        take out
      </v-btn>
    </div>
    <form class="new" @submit.prevent="add">
      <v-text-field
        v-model="added.name"
        aria-label="Name of the event"
        placeholder="name"
        maxlength="80"
      />
      <v-checkbox-btn v-model="added.stays" label="it stays" />
      <PeriodField
        v-model="added.from"
        label="First period of the event"
        placeholder="from"
        :ahead="method.forecast.horizon"
      />
      <PeriodField
        v-if="!added.stays"
        v-model="added.to"
        label="Last period of the event"
        placeholder="to, or one period"
        :ahead="method.forecast.horizon"
        clearable
      />
      <v-btn
        color="accent"
        type="submit"
        :disabled="added.name.trim() === '' || added.from === null"
      >
        Add
      </v-btn>
    </form>
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
    <GivenColumns v-if="given" :method="method" :given="given" />
  </div>
</template>

<style scoped>
.events {
  padding: 10px 16px;
}
</style>
