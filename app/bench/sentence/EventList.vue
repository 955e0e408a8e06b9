<script setup lang="ts">
import { computed, reactive } from 'vue'
import { formatPeriodCode, inReadersFigures } from '~/figures/format'
import type { Method } from '~~/core/method'
import type { IndicatorAt, StepFrom } from '~~/core/forecast/regression/options'
import { useBench } from '../study/benchStore'
import PeriodField from './PeriodField.vue'
import { useTriedChange } from './triedChange'

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
const added = reactive<{ name: string; from: string | null; to: string | null; stays: boolean }>({
  name: '',
  from: null,
  to: null,
  stays: false,
})

function label(code: string): string {
  const { frequency, seasons } = bench.series!.calendar
  return formatPeriodCode(code, frequency, seasons)
}

function take(events: { indicators?: readonly IndicatorAt[]; steps?: readonly StepFrom[] }) {
  change({ forecast: events })
}

function add() {
  const name = added.name.trim()
  if (name === '' || added.from === null) return
  if (added.stays) take({ steps: [...steps.value, { name, from: added.from }] })
  else {
    const to = added.to ?? added.from
    take({ indicators: [...indicators.value, { name, from: added.from, to }] })
  }
  if (problem.value === '') Object.assign(added, { name: '', from: null, to: null })
}
</script>

<template>
  <div class="events">
    <p class="muted small">
      Each takes its own effect out of trend and season. A stretch marked on the strips can be made
      one, too.
    </p>
    <div v-for="(one, i) in indicators" :key="one.name" class="row">
      <span class="grow">
        <strong>{{ one.name }}</strong>
        {{ one.from === one.to ? label(one.from) : `${label(one.from)} to ${label(one.to)}` }}
      </span>
      <v-btn color="accent" @click="take({ indicators: indicators.filter((_, k) => k !== i) })">
        take out
      </v-btn>
    </div>
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
      <PeriodField v-model="added.from" label="First period of the event" placeholder="from" />
      <PeriodField
        v-if="!added.stays"
        v-model="added.to"
        label="Last period of the event"
        placeholder="to, or one period"
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
  </div>
</template>

<style scoped>
.events {
  padding: 10px 16px;
}

p {
  margin: 0 0 4px;
}

.row {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 30px;
}

.grow {
  flex: 1;
  overflow-wrap: anywhere;
}

.new {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  margin-top: 6px;
}

.new .v-text-field {
  flex: none;
  width: 158px;
}

.refused {
  color: var(--danger);
}
</style>
