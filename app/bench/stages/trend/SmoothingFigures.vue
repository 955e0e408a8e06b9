<script setup lang="ts">
import { formatDecimals, formatFigure } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { SmoothingFigures } from '~~/core/exponential/figures'
import { formWords } from '~~/core/forecast/smoothing/words'

/** Where a smoothing starts, what it was chosen by, and the forms that it was chosen from. */
defineProps<{ figures: SmoothingFigures; unit: string }>()
</script>

<template>
  <div>
    <dl class="figures">
      <dt>level at the start{{ unit ? `, ${unit}` : '' }}</dt>
      <dd>{{ formatFigure(figures.initial.level) }}</dd>
      <template v-if="figures.initial.trend !== undefined">
        <dt>slope at the start</dt>
        <dd>{{ formatFigure(figures.initial.trend) }}</dd>
      </template>
      <dt>
        <TermWord of="s">σ</TermWord>
        {{ figures.form.error === 'proportional' ? 'of errors as shares' : 'of errors' }}
      </dt>
      <dd>{{ figures.sigma === null ? '–' : formatFigure(figures.sigma) }}</dd>
      <dt><TermWord of="aic">AIC · AICc · BIC</TermWord></dt>
      <dd>
        {{
          [figures.criteria.aic, figures.criteria.aicc, figures.criteria.bic]
            .map((value) => (value === null ? '–' : formatDecimals(value, 1)))
            .join(' · ')
        }}
      </dd>
      <dt>numbers estimated</dt>
      <dd>{{ figures.criteria.k }}</dd>
    </dl>
    <v-table v-if="figures.table" class="working-table">
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
        <tr v-for="row in figures.table" :key="formWords(row.form)">
          <th scope="row">
            {{ formWords(row.form) }}
            <span v-if="row.because" class="muted">{{ row.because }}</span>
          </th>
          <td class="number">{{ row.k }}</td>
          <td class="number">{{ row.aicc === null ? '–' : formatDecimals(row.aicc, 1) }}</td>
        </tr>
      </tbody>
    </v-table>
  </div>
</template>
