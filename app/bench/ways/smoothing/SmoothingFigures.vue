<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { SmoothingFigures } from '~~/core/stateSpace/figures'
import FormTable from './FormTable.vue'

/** Where a smoothing starts, what it was chosen by, and the forms that it was chosen from. */
const props = defineProps<{
  figures: SmoothingFigures
  unit: string
  /** In the order of the first periods; none without a season. */
  seasonNames?: readonly string[]
}>()
const seasons = computed(() =>
  (props.figures.initial.season ?? []).map((state, i) => ({
    name: props.seasonNames?.[i] ?? String(i + 1),
    text:
      props.figures.form.season === 'multiplicative'
        ? formatDecimals(state, 3)
        : formatFigure(state),
  })),
)
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
      <template v-for="season in seasons" :key="season.name">
        <dt>{{ season.name }} at the start</dt>
        <dd>{{ season.text }}</dd>
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
    <FormTable v-if="figures.table" :rows="figures.table" />
  </div>
</template>
