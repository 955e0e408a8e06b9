<script setup lang="ts">
import { computed } from 'vue'
import { arimaResidualWords, lagsOfYear, testArimaResiduals } from '~~/core/arima/residuals'
import type { Result } from '~~/core/result'
import ResidualPictures from '../ResidualPictures.vue'
import type { ShownModel } from './shown'

/** What the one-step predictions of a model missed. */
const props = defineProps<{ shown: ShownModel; result: Result }>()
const tests = computed(() => {
  const { model, seasons } = props.shown
  return testArimaResiduals(model.residuals, model.order, lagsOfYear(seasons))
})
const residuals = computed(() => {
  const { model, predicted, firstT } = props.shown
  return model.residuals.flatMap((value, i) => {
    const fitted = predicted[i] ?? null
    return value === null || fitted === null ? [] : [{ t: firstT + i, value, fitted }]
  })
})
const unit = computed(() =>
  props.shown.transform ? 'on the scale of the model' : props.result.series.unit,
)
const column = computed(() => (props.shown.part === 'forecast' ? 'surprise' : 'trendSurprise'))
</script>

<template>
  <ResidualPictures
    title="Residuals of the model"
    :words="arimaResidualWords(tests)"
    :residuals="residuals"
    :column="column"
    :unit="unit"
    :fitted-name="shown.transform ? 'predicted, on the scale of the model' : `predicted, ${unit}`"
    :spread="shown.s"
    :correlations="
      tests.autocorrelation && tests.limit !== null
        ? { values: tests.autocorrelation, limit: tests.limit }
        : null
    "
    :result="result"
  />
</template>
