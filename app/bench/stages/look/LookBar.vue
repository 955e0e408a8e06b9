<script setup lang="ts">
import { computed, ref } from 'vue'
import { detrendWords, DIFFERENCE_WORDS } from '~~/core/beside/beside'
import {
  LEAST_LOOK_POWER,
  MOST_LOOK_POWER,
  type LookScale,
  type TakenOut,
} from '~~/core/beside/rest'
import { onePeriod } from '~~/core/calendar/labels'
import type { PeakSpacing } from '~~/core/seasonality/peakSpacing'
import { DETREND_FORMS, type DetrendForm } from '~~/core/trend/leastSquares/forms'
import { DIFFERENCES, type Difference } from '~~/core/stationarity/difference'
import { apartWords } from '~~/core/seasonality/peakWords'
import { useBench } from '../../study/benchStore'
import { useLedger } from '../../view/ledgerStore'
import { useBeside } from '../../beside/besideStore'
import NumberField from '../../controls/NumberField.vue'

const props = defineProps<{ peaks: PeakSpacing | null }>()
const bench = useBench()
const ledger = useLedger()
const beside = useBeside()
const calendar = computed(() => bench.series!.calendar)
const per = computed(() => onePeriod(calendar.value))
/** Of a yearly series a seasonal difference is a first one. */
const differences = computed(() =>
  calendar.value.seasons < 2
    ? DIFFERENCES.filter((how) => !how.startsWith('seasonal'))
    : DIFFERENCES,
)

const chosen = computed(() => {
  const { takenOut } = beside.rest
  if (takenOut.by === 'trend') return `trend:${takenOut.form}`
  return takenOut.by === 'difference' ? `difference:${takenOut.how}` : 'nothing'
})

/** Nothing, a trend, or differences. */
const forms = computed(() => [
  { value: 'nothing', title: 'nothing' },
  ...DETREND_FORMS.map((form) => ({
    value: `trend:${form}`,
    title: `${detrendWords(form)} trend`,
  })),
  ...differences.value.map((how) => ({
    value: `difference:${how}`,
    title: DIFFERENCE_WORDS[how],
  })),
])

function takeOut(choice: string) {
  const [by, what] = choice.split(':')
  const takenOut: TakenOut =
    by === 'trend'
      ? { by, form: what as DetrendForm }
      : by === 'difference'
        ? { by, how: what as Difference }
        : { by: 'nothing' }
  beside.rest = { ...beside.rest, takenOut }
}

const SCALES: readonly { value: LookScale['by']; title: string }[] = [
  { value: 'as-is', title: 'the values as they are' },
  { value: 'ln', title: 'the logarithm' },
  { value: 'square-root', title: 'the square root' },
  { value: 'power', title: 'the power' },
]
/** The power that is asked for first, and again when the scale comes back to one. */
const power = ref(0.3)

function lookOn(by: LookScale['by']) {
  const scale = by === 'power' ? { by, power: power.value } : { by }
  beside.rest = { ...beside.rest, scale }
}
function raiseTo(to: number) {
  power.value = to
  lookOn('power')
}

const spacing = computed(() => {
  if (!props.peaks) return ''
  const { gapsBetweenPeaks, gapsBetweenTroughs } = props.peaks
  const [peaks, troughs] = [gapsBetweenPeaks, gapsBetweenTroughs].map((gaps) =>
    apartWords(gaps, calendar.value),
  )
  return `Peaks stand ${peaks}, troughs ${troughs}.`
})
const problems = computed(() =>
  ledger.inspected.flatMap(({ problem }) => (problem === null ? [] : [problem])),
)
</script>

<template>
  <p class="line">
    <span class="pair">
      rolling mean and deviation over
      <NumberField
        v-model="beside.rolling"
        label="rolling mean and deviation over"
        :least="2"
        :most="1000"
      />
      {{ per }}s
    </span>
    <span class="pair">
      peaks over
      <NumberField v-model="beside.halfWidth" label="peaks over" :least="1" :most="1000" />
      {{ per }}s either side
    </span>
    <span class="pair">
      take out
      <v-select
        aria-label="take out"
        :items="forms"
        :model-value="chosen"
        @update:model-value="takeOut"
      />
    </span>
    <span class="pair">
      on the scale of
      <v-select
        aria-label="on the scale of"
        :items="SCALES"
        :model-value="beside.rest.scale.by"
        @update:model-value="lookOn"
      />
      <NumberField
        v-if="beside.rest.scale.by === 'power'"
        :model-value="power"
        label="power"
        :least="LEAST_LOOK_POWER"
        :most="MOST_LOOK_POWER"
        :step="0.05"
        @update:model-value="raiseTo"
      />
    </span>
  </p>
  <p class="spacing muted small">{{ spacing }}</p>
  <p v-for="problem in problems" :key="problem" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.spacing {
  margin: 0 0 4px;
}
</style>
