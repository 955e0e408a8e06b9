<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure } from '~/figures/format'
import { traitsOf } from '~~/core/decompose/ways'
import TermWord from '~/shell/TermWord.vue'
import type { TermName } from '~~/core/glossary/glossary'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'

const props = defineProps<{ result: Result }>()

const hasSeason = computed(() => traitsOf(props.result.method.decompose).hasSeason)
const lines = computed<readonly (readonly [term: TermName, name: string, value: string])[]>(() => {
  const { fitted } = props.result.accuracy
  const unit = props.result.series.unit
  const inUnit = (value: Value) => (value === null ? '–' : `${formatFigure(value)} ${unit}`)
  const inPercent = (value: Value) => (value === null ? '–' : `${formatDecimals(value, 2)}%`)
  return [
    ['me', 'mean error', inUnit(fitted.me)],
    ['mae', 'mean absolute error', inUnit(fitted.mae)],
    ['rmse', 'root mean squared error', inUnit(fitted.rmse)],
    ['rmse', 'RMSE of the mean value', inPercent(fitted.rmsePercentOfMean)],
    ['mape', 'MAPE', inPercent(fitted.mape)],
    ['smape', 'sMAPE', inPercent(fitted.smape)],
    [
      'mase',
      `MASE (1: as good as ${hasSeason.value ? 'last year' : 'the last value'})`,
      fitted.mase === null ? '–' : formatDecimals(fitted.mase, 3),
    ],
  ]
})
</script>

<template>
  <section class="errors">
    <h3>Fitted against actual</h3>
    <p class="muted small">
      In the sample: what is fitted has seen these values. Out of sample the errors are larger.
    </p>
    <dl class="figures">
      <template v-for="[term, name, value] in lines" :key="name">
        <dt>
          <TermWord :of="term">{{ name }}</TermWord>
        </dt>
        <dd>{{ value }}</dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
.errors {
  margin-top: 14px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
}

h3 {
  font-size: 13px;
}
</style>
