<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatChange, inReadersFigures } from '~/figures/format'
import { movedBy } from '~~/core/forecast/assumptions/bend'
import { MOST_SCENARIOS } from '~~/core/forecast/assumptions/options'
import type { Result } from '~~/core/result'
import { useTriedChange } from '../controls/triedChange'
import { useBench } from '../study/benchStore'

/** Named sets of assumptions beside the forecast: kept from those in force, put in force, or taken out. */
const props = defineProps<{ result: Result }>()
const bench = useBench()
const { problem, change } = useTriedChange()
const name = ref('')
const scenarios = computed(() => props.result.method.forecast.scenarios ?? [])
const assumptions = computed(() => props.result.method.forecast.assumptions ?? [])
const canKeep = computed(
  () =>
    assumptions.value.length > 0 &&
    (scenarios.value.length < MOST_SCENARIOS ||
      scenarios.value.some((one) => one.name === name.value.trim())),
)

/** By how much each lies over or under the statistical forecast, all periods together. */
const against = computed(() => {
  const { assumed, forecast, scenarios: bent = [] } = props.result
  return bent.map((one) => {
    const share = movedBy(one.bent.forecast, (assumed?.statistical ?? forecast).forecast)
    return share === null ? '' : formatChange(100 * share)
  })
})

function set(next: typeof scenarios.value, more: object = {}) {
  change({ forecast: { scenarios: next.length > 0 ? next : undefined, ...more } })
}

/** The assumptions in force as a scenario; one of that name is replaced. */
function keep() {
  const own = name.value.trim()
  if (own === '' || !canKeep.value) return
  const others = scenarios.value.filter((one) => one.name !== own)
  set([...others, { name: own, assumptions: assumptions.value }])
  if (problem.value === '') name.value = ''
}
</script>

<template>
  <div v-if="scenarios.length > 0 || (assumptions.length > 0 && !bench.frozen)" class="named-list">
    <h4>Scenarios</h4>
    <div v-for="(one, i) in scenarios" :key="one.name" class="row">
      <span class="grow">
        <strong>{{ one.name }}</strong>{{ ' '
        }}<span class="muted">
          {{ one.assumptions.length }}
          {{ one.assumptions.length === 1 ? 'assumption' : 'assumptions' }}, {{ against[i] }}</span
        >
      </span>
      <template v-if="!bench.frozen">
        <v-btn
          :aria-label="`put ${one.name} in force`"
          @click="set(scenarios, { assumptions: one.assumptions })"
        >
          in force
        </v-btn>
        <v-btn
          color="accent"
          :aria-label="`take out the scenario ${one.name}`"
          @click="set(scenarios.filter((other) => other.name !== one.name))"
        >
          take out
        </v-btn>
      </template>
    </div>
    <form v-if="assumptions.length > 0 && !bench.frozen" class="new" @submit.prevent="keep()">
      <v-text-field
        v-model="name"
        maxlength="40"
        aria-label="Name of a scenario with the assumptions in force"
        placeholder="these as a scenario"
      />
      <v-btn color="accent" type="submit" :disabled="name.trim() === '' || !canKeep">
        lay beside
      </v-btn>
      <span v-if="scenarios.length >= MOST_SCENARIOS" class="muted small">
        {{ MOST_SCENARIOS }} at the most; the same name replaces one.
      </span>
    </form>
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
  </div>
</template>

<style scoped>
h4 {
  margin: 8px 0 0;
  font-size: 12px;
}
</style>
