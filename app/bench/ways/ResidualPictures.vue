<script setup lang="ts">
import { computed } from 'vue'
import { formatFigure, inReadersFigures } from '~/figures/format'
import { seasonLabel } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { Result } from '~~/core/result'
import CorrelationBars from '../figures/CorrelationBars.vue'
import HistogramPicture from '../figures/HistogramPicture.vue'
import ScatterPicture from '../figures/ScatterPicture.vue'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'

/** What a model leaves of one period. */
export interface ShownResidual {
  readonly t: number
  readonly value: number
  readonly fitted: number
}

/** The residuals of a model: against time, fitted values and season, their shape, and against themselves. */
const props = defineProps<{
  title: string
  /** What their tests say, sentence by sentence. */
  words: readonly string[]
  residuals: readonly ShownResidual[]
  /** Row of the ledger that they stand in: a point that is pressed leads there. */
  column: string
  unit: string
  /** What the fitted values are: `fitted, litres`. */
  fittedName: string
  /** Their standard deviation. */
  spread: number
  /** null with a gap inside, or nothing left over. */
  correlations: { readonly values: readonly number[]; readonly limit: number } | null
  result: Result
}>()
const ledger = useLedger()
const selection = useSelection()

const residuals = computed(() =>
  props.residuals.map((one) => ({
    ...one,
    season: props.result.columns.season[one.t - ledger.firstT]!,
    words: `${ledger.labelAt(one.t)}: ${formatFigure(one.value)}`,
  })),
)
const largest = computed(() => Math.max(...residuals.value.map(({ value }) => Math.abs(value)), 0))
const range = computed(() => `±${formatFigure(largest.value)} ${props.unit}`)

const pictures = computed(() => {
  const all = residuals.value
  const [first, last] = [all[0]!, all.at(-1)!]
  const fitted = all.map((one) => one.fitted)
  const calendar = calendarOfResult(props.result)
  const { seasons } = props.result.series
  const points = (x: (one: (typeof all)[number]) => number) =>
    all.map((one) => ({ x: x(one), y: one.value, words: one.words }))
  return [
    {
      title: 'Residuals against time',
      across: '',
      ends: [ledger.labelAt(first.t), ledger.labelAt(last.t)] as const,
      points: points(({ t }) => t),
    },
    {
      title: 'Residuals against fitted',
      across: props.fittedName,
      ends: [formatFigure(Math.min(...fitted)), formatFigure(Math.max(...fitted))] as const,
      points: points((one) => one.fitted),
    },
    ...(seasons > 1
      ? [
          {
            title: 'Residuals by season',
            across: '',
            ends: [seasonLabel(1, calendar), seasonLabel(seasons, calendar)] as const,
            points: points(({ season }) => season),
          },
        ]
      : []),
  ]
})

function goTo(index: number) {
  selection.moveTo({ column: props.column, t: residuals.value[index]!.t })
}
</script>

<template>
  <section v-if="residuals.length > 0" class="working-part">
    <h3>{{ title }}</h3>
    <p v-for="sentence in words" :key="sentence" class="said">{{ inReadersFigures(sentence) }}</p>
    <ScatterPicture
      v-for="picture in pictures"
      :key="picture.title"
      :title="picture.title"
      :across="picture.across"
      :ends="picture.ends"
      :points="picture.points"
      :range="range"
      :summary="`${residuals.length} residuals within ${range}`"
      @press="goTo"
    />
    <HistogramPicture
      title="Histogram of the residuals"
      :values="residuals.map(({ value }) => value)"
      :spread="spread"
    />
    <CorrelationBars
      v-if="correlations"
      title="Autocorrelation of the residuals"
      term="autocorrelation"
      :values="correlations.values"
      :limit="correlations.limit"
      :every="result.series.seasons"
    />
    <p v-else class="muted small">No autocorrelation: a gap inside, or nothing left over.</p>
  </section>
</template>

<style scoped>
.said {
  font-size: 12px;
}
</style>
