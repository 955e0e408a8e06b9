<script setup lang="ts">
import { computed } from 'vue'
import { formatFigure, inReadersFigures } from '~/figures/format'
import type { Explanation } from '~~/core/ledger/explain'
import { termOfColumn } from '~~/core/glossary/glossary'
import { countedDays } from '~~/core/prepare/calendar/countedDays'
import { calendarTakenOf } from '~~/core/prepare/calendar/reading'
import { weightedCells } from '~~/core/ledger/weighted'
import { canBeSeries } from '~~/core/ledger/rowAsSeries'
import { later } from '~/shell/later'
import TermWord from '~/shell/TermWord.vue'
import { canLeaveOutOfIndex } from '../study/exclusion'
import type { TakeOnRow } from '~~/shared/api/derived'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import ArithmeticLines from '../figures/ArithmeticLines.vue'
import ValueCare from './ValueCare.vue'

const IndexCare = later(() => import('./IndexCare.vue'))
const RowTaker = later(() => import('./RowTaker.vue'))
const WeightsChart = later(() => import('../figures/WeightsChart.vue'))
const DaysOfPeriod = later(() => import('./DaysOfPeriod.vue'))
const LocalFitChart = later(() => import('../figures/LocalFitChart.vue'))

/** Rows in which a value of the series itself is met: as it is, or less its season or its trend. */
const MEET_VALUES: readonly string[] = [
  'original',
  'value',
  'seasonalIrregular',
  'deseasonalized',
  'irregular',
  'residual',
]
const props = defineProps<{ explanation: Explanation }>()
const bench = useBench()
const ledger = useLedger()

const t = computed(() => props.explanation.cell.t)
const column = computed(() => props.explanation.cell.column)
const term = computed(() => {
  const row = ledger.everyRow.find(({ name }) => name === column.value)
  return row ? termOfColumn((row.pinned ?? row).name) : null
})
/** The row as it can be taken on as a series: of the method by its name, an average or growth as it was chosen. */
const rowToTakeOn = computed<TakeOnRow['row'] | null>(() => {
  if (bench.frozen || !bench.result) return null
  const own = ledger.own?.find(column.value)
  if (own) return canBeSeries(own) ? own.name : null
  const one = ledger.inspected.find((inspected) => inspected.column?.name === column.value)
  if (!one?.column || !canBeSeries(one.column)) return null
  return one.beside.kind === 'average' || one.beside.kind === 'growth' ? one.beside : null
})
const period = computed(() => ledger.codeAt(t.value))
const original = computed(() => ledger.valueAt('original', t.value))
/** The series itself: its care is at hand, elsewhere it is folded away. */
const isSeries = computed(() => column.value === 'value' || column.value === 'original')
/** A figure of the file itself, that no arithmetic made. */
const cameIn = computed(
  () => isSeries.value && props.explanation.defined && props.explanation.value === original.value,
)
const canCare = computed(
  () => !bench.frozen && MEET_VALUES.includes(column.value) && period.value !== null,
)
const canLeaveOut = computed(
  () =>
    canCare.value &&
    !isSeries.value &&
    canLeaveOutOfIndex(bench.result) &&
    ledger.valueAt('seasonalIrregular', t.value) !== null,
)
/** The days of the period as the calendar's row counts them. */
const days = computed(() => {
  const taken = bench.result && calendarTakenOf(bench.result)
  return taken ? countedDays(taken, column.value, t.value) : null
})
/** The cells of a weighted average, which are drawn under their weights. */
const weighted = computed(() => {
  const { explanation } = props
  return explanation.defined ? weightedCells(explanation.expression) : null
})
const source = computed(() => {
  const { file, column: from } = bench.study!.source
  return from === undefined ? file : `${file}, column ${from}`
})
</script>

<template>
  <section class="cell">
    <h2 class="serif">{{ explanation.title }}</h2>
    <p class="muted means">
      {{ explanation.means
      }}<template v-if="term"> · <TermWord :of="term">what is that?</TermWord></template>
    </p>
    <p v-if="rowToTakeOn" class="means"><RowTaker :row="rowToTakeOn" /></p>
    <template v-if="explanation.defined">
      <p v-if="cameIn" class="symbols muted">from {{ source }}, as it came in</p>
      <template v-else>
        <ArithmeticLines :expression="explanation.expression" />
      </template>
      <p class="value">
        = {{ formatFigure(explanation.value) }} <span class="unit">{{ explanation.unit }}</span>
      </p>
      <p v-if="explanation.reading" class="reading">{{ inReadersFigures(explanation.reading) }}</p>
      <DaysOfPeriod v-if="days" :days="days" />
      <LocalFitChart
        v-if="explanation.localFit"
        :fit="explanation.localFit"
        :result="bench.result!"
      />
      <WeightsChart
        v-if="weighted"
        :cells="weighted"
        :at="t"
        :value="explanation.value"
        :label="ledger.labelAt"
      />
    </template>
    <p v-else class="because">{{ inReadersFigures(explanation.because) }}</p>

    <IndexCare v-if="canLeaveOut" :key="period!" :period="period!" />
    <ValueCare v-if="canCare && isSeries" :period="period!" :original="original" />
    <v-expansion-panels v-else-if="canCare" class="value-care">
      <v-expansion-panel :title="`The value of ${ledger.labelAt(t)} itself`">
        <v-expansion-panel-text>
          <p v-if="original !== null" class="muted small">
            {{ formatFigure(original) }} {{ bench.series!.unit }} came in.
          </p>
          <ValueCare :period="period!" :original="original" />
        </v-expansion-panel-text>
      </v-expansion-panel>
    </v-expansion-panels>
  </section>
</template>

<style scoped>
h2 {
  font-size: 16px;
}

p {
  margin: 0;
}

.means {
  font-size: 12px;
}

.symbols {
  margin-top: 8px;
  font-size: 11.5px;
  overflow-wrap: anywhere;
}

.value {
  color: var(--accent);
  font-size: 18px;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}

.unit {
  color: var(--muted);
  font-size: 12px;
  font-weight: 400;
}

.because {
  margin-top: 8px;
}

.value-care {
  margin-top: 8px;
}
</style>
