<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { onePeriod } from '~~/core/calendar/labels'
import type { ArimaForecast, ToldModel } from '~~/core/forecast/arima/calculate'
import { asDocument } from '~~/core/forecast/arima/options'
import {
  differencesWords,
  halfLife,
  halfLifeWords,
  termsOfArima,
} from '~~/core/forecast/arima/readings'
import { transformWords } from '~~/core/forecast/powerScale'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { Result } from '~~/core/result'
import { orderText } from '~~/core/stateSpace/arima/order'
import type { Value } from '~~/core/series/series'
import { useBench } from '../../study/benchStore'
import TriedModels from './TriedModels.vue'

/** The ARIMA model that forecasts: its coefficients, how well it fits, how often it differences and what else was tried. */
const props = defineProps<{ result: Result }>()
const bench = useBench()
const ahead = computed(() => props.result.forecast as Result['forecast'] & ArimaForecast)
const calendar = computed(() => calendarOfResult(props.result))
const per = computed(() => onePeriod(calendar.value))
const terms = computed(() => termsOfArima(ahead.value, calendar.value.seasons, per.value))
const life = computed(() => halfLife(ahead.value))

const differences = computed(() => {
  const { chosen } = ahead.value
  return chosen ? differencesWords(chosen.differences) : ''
})

function figureOr(value: Value, decimals: number): string {
  return value === null ? '–' : formatDecimals(value, decimals)
}

function take(model: ToldModel) {
  void bench.changePart({ forecast: { ...asDocument(model), seasonal: undefined } })
}
</script>

<template>
  <section class="working-part">
    <h3>ARIMA {{ orderText(ahead.order, ahead.constant) }}</h3>
    <v-table v-if="terms.length > 0" class="working-table">
      <caption>
        Coefficients, by exact likelihood
      </caption>
      <thead>
        <tr class="head">
          <th scope="col">term</th>
          <th scope="col" class="number">estimate</th>
          <th scope="col" class="number"><TermWord of="standardError">std. error</TermWord></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="term in terms" :key="term.name">
          <th scope="row">
            {{ term.name }}
            <span v-if="term.reads" class="muted">{{ inReadersFigures(term.reads) }}</span>
          </th>
          <td class="number">{{ formatFigure(term.estimate) }}</td>
          <td class="number">
            {{ term.standardError === null ? '–' : formatFigure(term.standardError) }}
          </td>
        </tr>
      </tbody>
    </v-table>
    <p v-else class="muted">Differences alone: nothing is estimated but σ.</p>
    <p v-if="life !== null" class="small">{{ inReadersFigures(halfLifeWords(life, per)) }}</p>
    <dl class="figures">
      <dt>σ</dt>
      <dd>{{ formatFigure(ahead.interval.s) }}</dd>
      <dt>ln likelihood</dt>
      <dd>{{ formatDecimals(ahead.logLikelihood, 2) }}</dd>
      <dt><TermWord of="aic">AICc</TermWord></dt>
      <dd>{{ figureOr(ahead.aicc, 2) }}</dd>
      <dt>smallest AR root</dt>
      <dd>{{ figureOr(ahead.arRoot, 3) }}</dd>
      <dt>smallest MA root</dt>
      <dd>{{ figureOr(ahead.maRoot, 3) }}</dd>
      <dt>values</dt>
      <dd>{{ ahead.count }} after differences, {{ ahead.k }} numbers estimated</dd>
    </dl>
    <p v-if="ahead.transform" class="small">
      On the scale {{ transformWords(ahead.transform.lambda, result.series.noun) }}; forecasts and
      limits come back from it. Criteria of other scales do not compare.
    </p>
    <p v-if="differences" class="small">{{ inReadersFigures(differences) }}</p>
    <TriedModels v-if="ahead.chosen" :models="ahead.chosen.tried" @take="take" />
  </section>
</template>

<style scoped>
.figures {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 12px;
  margin: 8px 0;
  font-size: 13px;
}

.figures dt {
  color: var(--muted);
}

.figures dd {
  margin: 0;
  text-align: right;
  font-variant-numeric: tabular-nums;
}
</style>
