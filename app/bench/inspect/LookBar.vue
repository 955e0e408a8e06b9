<script setup lang="ts">
import { computed } from 'vue'
import { detrendWords, DIFFERENCE_WORDS } from '~~/core/beside/beside'
import { onePeriod } from '~~/core/calendar/labels'
import type { PeakSpacing } from '~~/core/seasonality/peakSpacing'
import { TREND_FORM_NAMES, type TrendFormName } from '~~/core/trend/forms'
import { DIFFERENCES, type Difference } from '~~/core/stationarity/difference'
import { gapWords, peakWords } from '~~/core/seasonality/peakWords'
import { useBench } from '../benchStore'
import { useView } from '../viewStore'
import { useInspection } from './inspectionStore'
import { wholeFrom } from './wholeFrom'

const props = defineProps<{ peaks: PeakSpacing | null }>()
const bench = useBench()
const view = useView()
const inspection = useInspection()
const calendar = computed(() => bench.series!.calendar)
const per = computed(() => onePeriod(calendar.value))
/** Of a yearly series a seasonal difference is a first one. */
const differences = computed(() =>
  calendar.value.seasons < 2 ? DIFFERENCES.slice(0, 2) : DIFFERENCES,
)

const chosen = computed(() => {
  const { takenOut } = inspection
  if (takenOut.by === 'trend') return `trend:${takenOut.form}`
  return takenOut.by === 'difference' ? `difference:${takenOut.how}` : 'nothing'
})

function takeOut(event: Event) {
  const [by, what] = (event.target as HTMLSelectElement).value.split(':')
  inspection.takenOut =
    by === 'trend'
      ? { by, form: what as TrendFormName }
      : by === 'difference'
        ? { by, how: what as Difference }
        : { by: 'nothing' }
}

const spacing = computed(() => {
  if (!props.peaks) return ''
  const words = gapWords(props.peaks, calendar.value)
  return props.peaks.verdict === null
    ? `${words}: no verdict with fewer than two gaps.`
    : `${words}: ${peakWords(props.peaks.verdict, calendar.value)}.`
})
const problems = computed(() =>
  view.inspected.flatMap(({ problem }) => (problem === null ? [] : [problem])),
)
</script>

<template>
  <p class="line">
    <label>
      rolling mean and deviation over
      <input
        type="number"
        class="text-input"
        min="2"
        max="1000"
        :value="inspection.rolling"
        @change="inspection.rolling = wholeFrom($event, 2, inspection.rolling)"
      />
      {{ per }}s
    </label>
    <label>
      peaks over
      <input
        type="number"
        class="text-input"
        min="1"
        max="1000"
        :value="inspection.halfWidth"
        @change="inspection.halfWidth = wholeFrom($event, 1, inspection.halfWidth)"
      />
      {{ per }}s either side
    </label>
    <label>
      take out
      <select class="text-input" :value="chosen" @change="takeOut">
        <option value="nothing">nothing</option>
        <optgroup label="a trend">
          <option v-for="form in TREND_FORM_NAMES" :key="form" :value="`trend:${form}`">
            {{ detrendWords(form) }}
          </option>
        </optgroup>
        <optgroup label="by differences">
          <option v-for="how in differences" :key="how" :value="`difference:${how}`">
            {{ DIFFERENCE_WORDS[how] }}
          </option>
        </optgroup>
      </select>
    </label>
  </p>
  <p class="spacing muted small">{{ spacing }}</p>
  <p v-for="problem in problems" :key="problem" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.spacing {
  margin: 0 0 4px;
}
</style>
