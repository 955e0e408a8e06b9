<script setup lang="ts">
import { computed } from 'vue'
import { formatFigure, inReadersFigures } from '~/figures/format'
import { seasonLabel } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { residualWords } from '~~/core/regression/residualWords'
import type { Result } from '~~/core/result'
import CorrelationBars from '../../figures/CorrelationBars.vue'
import HistogramPicture from '../../figures/HistogramPicture.vue'
import ScatterPicture from '../../figures/ScatterPicture.vue'
import { useLedger } from '../../view/ledgerStore'
import { useSelection } from '../../view/selectionStore'

/** The residuals of the regression: against time, fitted values and season, their shape, and against themselves. */
const props = defineProps<{ result: Result }>()
const ledger = useLedger()
const selection = useSelection()
const report = computed(() => props.result.regression!)
const unit = computed(() => (report.value.ofLog ? 'on the log scale' : props.result.series.unit))

const residuals = computed(() => {
  const { from, residuals: all, fittedScale } = report.value
  return all.flatMap((value, i) => {
    if (value === null) return []
    const t = from + i
    const season = props.result.columns.season[t - ledger.firstT]!
    return [
      {
        t,
        value,
        season,
        fitted: fittedScale[i]!,
        words: `${ledger.labelAt(t)}: ${formatFigure(value)}`,
      },
    ]
  })
})
const largest = computed(() => Math.max(...residuals.value.map(({ value }) => Math.abs(value)), 0))
const range = computed(() => `±${formatFigure(largest.value)} ${unit.value}`)

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
      across: report.value.ofLog ? 'logarithm of the fitted value' : `fitted, ${unit.value}`,
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

const words = computed(() => residualWords(report.value, report.value.tests))
function goTo(index: number) {
  selection.moveTo({ column: 'residual', t: residuals.value[index]!.t })
}
</script>

<template>
  <section v-if="residuals.length > 0" class="working-part">
    <h3>Residuals of the regression</h3>
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
      :spread="report.s"
    />
    <CorrelationBars
      v-if="report.tests.autocorrelation && report.tests.limit !== null"
      title="Autocorrelation of the residuals"
      term="autocorrelation"
      :values="report.tests.autocorrelation"
      :limit="report.tests.limit"
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
