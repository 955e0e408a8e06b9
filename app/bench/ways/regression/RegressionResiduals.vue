<script setup lang="ts">
import { computed } from 'vue'
import { residualWords } from '~~/core/regression/residualWords'
import type { Result } from '~~/core/result'
import ResidualPictures from '../ResidualPictures.vue'

/** What the regression leaves. */
const props = defineProps<{ result: Result }>()
const report = computed(() => props.result.regression!)
const unit = computed(() => (report.value.ofLog ? 'on the log scale' : props.result.series.unit))
const residuals = computed(() => {
  const { from, residuals: all, fittedScale } = report.value
  return all.flatMap((value, i) =>
    value === null ? [] : [{ t: from + i, value, fitted: fittedScale[i]! }],
  )
})
const words = computed(() => residualWords(report.value, report.value.tests))
const correlations = computed(() => {
  const { autocorrelation: values, limit } = report.value.tests
  return values && limit !== null ? { values, limit } : null
})
</script>

<template>
  <ResidualPictures
    title="Residuals of the regression"
    column="residual"
    :words="words"
    :residuals="residuals"
    :unit="unit"
    :fitted-name="report.ofLog ? 'logarithm of the fitted value' : `fitted, ${unit}`"
    :spread="report.s"
    :correlations="correlations"
    :result="result"
  />
</template>
