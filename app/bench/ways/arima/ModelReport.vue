<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { differencesWords, halfLife, halfLifeWords, termsOfArima } from '~~/core/arima/readings'
import { nameOfModel } from '~~/core/arima/words'
import { onePeriod } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import RootsPicture from './RootsPicture.vue'
import type { ShownModel } from './shown'

/** Coefficients in words, how well the model fits, its roots, and how often it differences. */
const props = defineProps<{ shown: ShownModel; result: Result }>()
const model = computed(() => props.shown.model)
const name = computed(() => nameOfModel(model.value, props.shown.seasons))
const per = computed(() => onePeriod(calendarOfResult(props.result)))
const terms = computed(() => termsOfArima(model.value, props.shown.seasons, per.value))
const life = computed(() => halfLife(model.value))
const differences = computed(() => {
  const { chosen } = model.value
  return chosen ? differencesWords(chosen.differences) : ''
})

function figureOr(value: Value, decimals: number): string {
  return value === null ? '–' : formatDecimals(value, decimals)
}
</script>

<template>
  <div>
    <h3>ARIMA {{ name }}</h3>
    <p class="muted small">
      A model of {{ shown.of
      }}{{ shown.transform ? '; forecasts and limits come back from that scale' : '' }}.
    </p>
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
    <p v-else class="muted small">Differences alone: nothing is estimated but σ.</p>
    <p v-if="life !== null" class="small">{{ inReadersFigures(halfLifeWords(life, per)) }}</p>
    <dl class="figures">
      <dt>σ</dt>
      <dd>{{ formatFigure(shown.s) }}</dd>
      <dt>ln likelihood</dt>
      <dd>{{ formatDecimals(model.logLikelihood, 2) }}</dd>
      <dt><TermWord of="aic">AICc</TermWord></dt>
      <dd>{{ figureOr(model.aicc, 2) }}</dd>
      <dt>AIC</dt>
      <dd>{{ formatDecimals(model.aic, 2) }}</dd>
      <dt>BIC</dt>
      <dd>{{ formatDecimals(model.bic, 2) }}</dd>
      <dt>smallest AR root</dt>
      <dd>{{ figureOr(model.arRoot, 3) }}</dd>
      <dt>smallest MA root</dt>
      <dd>{{ figureOr(model.maRoot, 3) }}</dd>
      <dt>values after differences</dt>
      <dd>{{ model.count }}</dd>
      <dt>numbers estimated</dt>
      <dd>{{ model.k }}</dd>
    </dl>
    <RootsPicture :ar="model.roots.ar" :ma="model.roots.ma" />
    <p v-if="differences" class="small">{{ inReadersFigures(differences) }}</p>
  </div>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
