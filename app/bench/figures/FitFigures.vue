<script setup lang="ts">
import { formatDecimals, formatFigure, formatP } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { RegressionFigures } from '~~/core/regression/report'
import type { Value } from '~~/core/series/series'

/** How well a regression fits, and what it costs. */
defineProps<{
  fit: RegressionFigures
  /** What was fitted, where another fit may stand beside it. */
  of: string
  /** Of s; empty for none. */
  unit: string
  /** R² of the same before the season was taken out, where it was. */
  before?: Value | undefined
}>()

function figure(value: Value, decimals?: number): string {
  if (value === null) return '–'
  return decimals === undefined ? formatFigure(value) : formatDecimals(value, decimals)
}
</script>

<template>
  <dl class="figures">
    <dt>
      <TermWord of="rSquared">R²</TermWord
      >{{ before === undefined ? '' : ' before deseasonalizing, after' }}
    </dt>
    <dd>
      <template v-if="before !== undefined">{{ figure(before, 4) }}, </template>
      <strong>{{ figure(fit.r2, 4) }}</strong>
    </dd>
    <dt><TermWord of="adjustedRSquared" /></dt>
    <dd>{{ figure(fit.adjustedR2, 4) }}</dd>
    <dt>
      <TermWord of="s" /><template v-if="unit"> ({{ unit }})</template>
    </dt>
    <dd>{{ figure(fit.s) }}</dd>
    <dt><TermWord of="f" /></dt>
    <dd>{{ figure(fit.f) }}, p {{ fit.fp === null ? '–' : formatP(fit.fp) }}</dd>
    <dt><TermWord of="durbinWatson" /> of the {{ of }}</dt>
    <dd>{{ figure(fit.durbinWatson, 2) }}</dd>
    <dt><TermWord of="aic">AIC · AICc · BIC</TermWord></dt>
    <dd>{{ figure(fit.aic, 1) }} · {{ figure(fit.aicc, 1) }} · {{ figure(fit.bic, 1) }}</dd>
    <dt>values, <TermWord of="degreesOfFreedom" /></dt>
    <dd>{{ fit.n }}, {{ fit.df }}</dd>
  </dl>
</template>
