<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { onePeriod, oneCycle } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { Result } from '~~/core/result'
import { fittedReport } from '~~/core/trend/report'
import { breakChange } from '~~/core/trend/formChange'
import { TREND_FORMS } from '~~/core/trend/forms'
import { useBench } from '../../study/benchStore'
import { useLedger } from '../../view/ledgerStore'
import { useSelection } from '../../view/selectionStore'
import { hasSeason } from '../../stage/panel'
import CoefficientTable from '../../figures/CoefficientTable.vue'
import FitFigures from '../../figures/FitFigures.vue'
import { namesTakenOut } from '~~/core/prepare/prepare'
import { seasonOut } from '~~/core/words/seasonOut'

const props = defineProps<{ result: Result }>()
const bench = useBench()
const ledger = useLedger()
const selection = useSelection()
const fit = computed(() => fittedReport(props.result.trendFit))
const unit = computed(() => props.result.series.unit)
const withSeason = computed(() => hasSeason(props.result))
const form = computed(() => TREND_FORMS[fit.value.form])
const isInDays = computed(() => props.result.method.trend.time === 'days')

/** The slope a day, a period and a year; of a growth as shares. */
const rates = computed(() => {
  const { rates: all } = fit.value
  if (!all) return null
  const { ofLog } = form.value
  const say = (rate: number) => (ofLog ? `${formatDecimals(rate * 100, 3)}%` : formatFigure(rate))
  const calendar = calendarOfResult(props.result)
  const period = onePeriod(calendar)
  return {
    unit: ofLog ? '' : unit.value,
    list: [
      ...(isInDays.value ? [{ per: 'a day', text: say(all.perDay) }] : []),
      {
        per: isInDays.value ? `an average ${period}` : `a ${period}`,
        text: say(all.perPeriod),
      },
      ...(calendar.seasons > 1
        ? [{ per: `a ${isInDays.value ? 'year' : oneCycle(calendar)}`, text: say(all.perYear) }]
        : []),
    ],
  }
})

/** A period where the trend could break: the selected one, if it lies inside what is fitted. */
const breakable = computed(() => {
  const t = selection.selected?.t ?? selection.cursor
  if (t === null || t === undefined || t <= fit.value.from || t >= ledger.lastActual) return null
  const period = ledger.codeAt(t)!
  const has = props.result.method.trend.breaks?.some((one) => one.period === period)
  return has ? null : { period, label: ledger.labelAt(t) }
})

function breakThere(level: boolean) {
  const before = props.result.method.trend.breaks ?? []
  void bench.changePart(breakChange([...before, { period: breakable.value!.period, level }]))
}
</script>

<template>
  <section class="report working-part">
    <h3>
      Trend through the
      {{ withSeason ? seasonOut(namesTakenOut(props.result.takenOut?.found)).series : 'series' }}
    </h3>
    <p class="equation">{{ inReadersFigures(fit.equation) }}</p>
    <p class="muted small">
      <template v-if="isInDays">days since the first period began</template>
      <template v-else><TermWord of="timeCode" /> 1 in the first period</template>
    </p>
    <p v-if="rates" class="small">
      <template v-for="(rate, i) in rates.list" :key="rate.per">
        <template v-if="i > 0">, </template><strong>{{ rate.text }}</strong> {{ rates.unit }}
        {{ rate.per }}
      </template>
    </p>
    <p v-if="breakable" class="small breaks">
      <v-btn color="accent" class="small" @click="breakThere(false)">
        bend it at {{ breakable.label }}
      </v-btn>
      <v-btn color="accent" class="small" @click="breakThere(true)">bend and step it there</v-btn>
    </p>
    <CoefficientTable :rows="fit.terms" name="Coefficients of the trend" />
    <template v-if="fit.segmentSlopes.length > 0">
      <h4>Slope of every piece</h4>
      <CoefficientTable :rows="fit.segmentSlopes" name="Slopes of the pieces" />
    </template>
    <FitFigures
      :fit="fit"
      of="trend"
      :unit="form.ofLog ? '' : unit"
      :before="withSeason ? fit.r2Before : undefined"
    />
  </section>
</template>

<style scoped>
p {
  margin: 2px 0;
}

h4 {
  margin: 8px 0 0;
  font-size: 12px;
  font-weight: 600;
}

.breaks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
}

.equation {
  color: var(--deseasonalized);
  font-size: 14px;
}
</style>
