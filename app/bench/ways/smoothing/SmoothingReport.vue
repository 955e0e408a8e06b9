<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, inReadersFigures } from '~/figures/format'
import type { SmoothingForecast } from '~~/core/forecast/smoothing/calculate'
import { transformWords } from '~~/core/forecast/powerScale'
import { formWords } from '~~/core/forecast/smoothing/words'
import { seasonLabel } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { Result } from '~~/core/result'
import { useBench } from '../../study/benchStore'
import SmoothingFigures from './SmoothingFigures.vue'
import { useWeightHand } from './weightHand'
import WeightSlider from './WeightSlider.vue'
import { shownWeights } from './weightsOf'

/** The smoothing that forecasts: its weights under the hand, where it starts, and what it was chosen by. */
const props = defineProps<{ result: Result }>()
const ahead = computed(() => props.result.forecast as Result['forecast'] & SmoothingForecast)
const bench = useBench()
const hand = useWeightHand()
/** How each weight came about: in the hand all of them are held, which is not what they are. */
const settled = computed(() => {
  const forecast = bench.result?.forecast
  return shownWeights(forecast && 'weights' in forecast ? forecast : ahead.value)
})
const weights = computed(() =>
  shownWeights(ahead.value).map((weight, i) => ({
    ...weight,
    how: settled.value[i]?.how ?? weight.how,
    section: props.result.weightSections?.find(({ name }) => name === weight.name) ?? null,
  })),
)

/** A form that is still chosen has no states of its own to hold. */
const canHold = computed(() => {
  const { forecast } = props.result.method
  return 'initial' in forecast && forecast.initial === 'chosen' && !ahead.value.table
})
function holdStart() {
  void bench.changePart({ forecast: { initial: ahead.value.initial } })
}

/** Names of the seasons in the order of the first periods, which is that of the start. */
const seasonNames = computed(() => {
  const calendar = calendarOfResult(props.result)
  const first = props.result.columns.season[0]!
  return Array.from({ length: calendar.seasons }, (_, i) =>
    seasonLabel(((first - 1 + i) % calendar.seasons) + 1, calendar),
  )
})

/** The scale that is smoothed on, and how its power was chosen. */
const power = computed(() => {
  const { transform } = ahead.value
  if (!transform) return ''
  const { lambda, chosen } = transform
  const how = chosen
    ? `chosen: over ${chosen.blocks} years the spread, set against the level, varies by ${formatDecimals(100 * chosen.cv, 1)}%, the least that there is`
    : 'named'
  return `The scale that is smoothed on: ${transformWords(lambda, props.result.series.noun)} (λ ${formatDecimals(lambda, 2)}, ${how}). States and σ are on that scale; forecasts and limits come back from it.`
})
</script>

<template>
  <section class="working-part">
    <h3>Smoothing: {{ formWords(ahead.form) }}</h3>
    <p class="muted small">
      A weight says how much the newest counts: 0 for never revised, 1 for only the newest. Chosen
      ones have the highest likelihood, together with the initial states. Move one to see what it
      does; it is then fixed.
    </p>
    <WeightSlider
      v-for="weight in weights"
      :key="weight.name"
      :weight="weight"
      :section="weight.section"
      @move="hand.move(weight.name, $event)"
      @still="hand.take(weight.name, $event)"
      @choose="hand.choose(weight.name)"
    />
    <p v-if="hand.refused.value" class="small" role="status">
      {{ inReadersFigures(hand.refused.value) }}
    </p>
    <p v-if="canHold" class="small">
      <v-btn class="small" color="accent" @click="holdStart()">hold the start where it is</v-btn>
    </p>
    <p v-if="power" class="small">{{ power }}</p>
    <SmoothingFigures
      :figures="ahead"
      :unit="ahead.transform ? '' : result.series.unit"
      :season-names="seasonNames"
    />
  </section>
</template>
