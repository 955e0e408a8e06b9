<script setup lang="ts">
import { computed } from 'vue'
import { growthKinds, growthWords, type GrowthKind } from '~~/core/beside/beside'
import { capitalized, nounOf } from '~~/core/series/noun'
import { oneCycle, onePeriod } from '~~/core/calendar/labels'
import { traitsOf } from '~~/core/decompose/ways'
import { useBench } from '../../study/benchStore'
import { useBeside } from '../../beside/besideStore'
import { namesTakenOut } from '~~/core/prepare/prepare'
import { seasonOut } from '~~/core/words/seasonOut'

const bench = useBench()
const beside = useBeside()
const per = computed(() => onePeriod(bench.series!.calendar))
const cycle = computed(() => oneCycle(bench.series!.calendar))
const kinds = computed(() => growthKinds(bench.series!.calendar.seasons))
const without = computed(() => namesTakenOut(bench.result!.takenOut?.found))
const traits = computed(() => traitsOf(bench.result!.method.decompose))
const isTheSame = computed(() => {
  const { hasSeason, seasonMayChange } = traits.value
  // What the calendar does differs from year to year, and cancels out of nothing.
  const cancels = hasSeason && !seasonMayChange && without.value.length === 0
  const { model } = bench.result!.method.decompose
  return (
    beside.rateShown === 'yearOnYear' &&
    beside.secondRate === null &&
    cancels &&
    model === 'multiplicative'
  )
})
/** What a second line of growth beside the first can be. */
const seconds = computed(() => [
  { value: null, title: 'nothing' },
  ...kinds.value
    .filter((rate) => rate !== beside.rateShown)
    .map((rate) => ({ value: rate, title: growthWords(rate, per.value, cycle.value) })),
])

/** Four lines are too many to tell apart at first: of two kinds, the deseasonalized ones are shown. */
function takeSecond(rate: GrowthKind | null) {
  beside.secondRate = rate
  if (rate !== null && beside.growthOf === 'both') beside.growthOf = 'deseasonalized'
}
const noun = computed(() => nounOf(bench.series!))
const seasonless = computed(() => seasonOut(without.value).of(noun.value))
const of = computed(() => [
  { value: 'both', title: `${noun.value} and ${seasonless.value}` },
  { value: 'value', title: noun.value },
  { value: 'deseasonalized', title: seasonless.value },
])
</script>

<template>
  <p class="line">
    <span class="pair">
      growth of<template v-if="!traits.hasSeason"> {{ noun }},</template>
      <v-select v-else v-model="beside.growthOf" aria-label="whose growth" :items="of" />
    </span>
    <span class="pair">
      <v-select
        :model-value="beside.rateShown"
        aria-label="growth rate"
        :items="kinds.map((rate) => ({ value: rate, title: growthWords(rate, per, cycle) }))"
        @update:model-value="beside.growthRate = $event"
      />
    </span>
    <span v-if="kinds.length > 1" class="pair">
      and
      <v-select
        :model-value="beside.secondRate"
        aria-label="second growth"
        :items="seconds"
        @update:model-value="takeSecond"
      />
    </span>
    <span v-if="isTheSame" class="muted small">
      {{ capitalized(growthWords('yearOnYear', per, cycle)) }}, a season that stays the same cancels
      out: both grow alike.
    </span>
  </p>
</template>
