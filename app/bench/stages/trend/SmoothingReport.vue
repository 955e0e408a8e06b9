<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { WeightName } from '~~/core/exponential/forms'
import type { SmoothingForecast } from '~~/core/forecast/smoothing/calculate'
import { formWords, WEIGHT_SAYS } from '~~/core/forecast/smoothing/words'
import type { Result } from '~~/core/result'

/** The weights of a smoothing, what it was chosen by, and the forms that it was chosen from. */
const props = defineProps<{ result: Result }>()
const ahead = computed(() => props.result.forecast as Result['forecast'] & SmoothingForecast)
const weights = computed(() =>
  (Object.keys(ahead.value.weights) as WeightName[]).map((name) => ({
    says: WEIGHT_SAYS[name],
    value: ahead.value.weights[name]!,
    how: ahead.value.withoutEffect.includes(name)
      ? 'without effect'
      : ahead.value.fixed.includes(name)
        ? 'fixed'
        : ahead.value.atBound.includes(name)
          ? 'chosen, at its bound'
          : 'chosen',
  })),
)
const unit = computed(() => props.result.series.unit)
</script>

<template>
  <section class="working-part">
    <h3>Smoothing: {{ formWords(ahead.form) }}</h3>
    <p class="muted small">
      A weight says how much the newest counts: 0 for never revised, 1 for only the newest. Chosen
      ones have the highest likelihood, together with the initial states.
    </p>
    <dl class="figures">
      <template v-for="weight in weights" :key="weight.says">
        <dt>
          {{ weight.says }} <span class="small">{{ weight.how }}</span>
        </dt>
        <dd>{{ weight.how === 'without effect' ? '–' : formatDecimals(weight.value, 3) }}</dd>
      </template>
      <dt>level at the start{{ unit ? `, ${unit}` : '' }}</dt>
      <dd>{{ formatFigure(ahead.initial.level) }}</dd>
      <template v-if="ahead.initial.trend !== undefined">
        <dt>slope at the start</dt>
        <dd>{{ formatFigure(ahead.initial.trend) }}</dd>
      </template>
      <dt>
        <TermWord of="s">σ</TermWord>
        {{ ahead.form.error === 'proportional' ? 'of errors as shares' : 'of errors' }}
      </dt>
      <dd>{{ ahead.interval.s === null ? '–' : formatFigure(ahead.interval.s) }}</dd>
      <dt><TermWord of="aic">AIC · AICc · BIC</TermWord></dt>
      <dd>
        {{
          [ahead.criteria.aic, ahead.criteria.aicc, ahead.criteria.bic]
            .map((value) => (value === null ? '–' : formatDecimals(value, 1)))
            .join(' · ')
        }}
      </dd>
      <dt>numbers estimated</dt>
      <dd>{{ ahead.criteria.k }}</dd>
    </dl>
    <v-table v-if="ahead.table" class="working-table">
      <caption>
        Forms to choose from
      </caption>
      <thead>
        <tr class="head">
          <th scope="col">form</th>
          <th scope="col" class="number">numbers</th>
          <th scope="col" class="number"><TermWord of="aic">AICc</TermWord></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in ahead.table" :key="formWords(row.form)">
          <th scope="row">
            {{ formWords(row.form) }}
            <span v-if="row.because" class="muted">{{ row.because }}</span>
          </th>
          <td class="number">{{ row.k }}</td>
          <td class="number">{{ row.aicc === null ? '–' : formatDecimals(row.aicc, 1) }}</td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>
