<script setup lang="ts">
import { formatDecimals, formatFigure, formatP } from '~/figures/format'
import type { TrendFit } from '~~/core/trend/report'
import type { Value } from '~~/core/series/series'

defineProps<{ fit: TrendFit; unit: string; hasSeason: boolean }>()

function figure(value: Value, decimals?: number): string {
  if (value === null) return '–'
  return decimals === undefined ? formatFigure(value) : formatDecimals(value, decimals)
}
</script>

<template>
  <section class="report">
    <h3>Trend through the {{ hasSeason ? 'deseasonalized series' : 'series' }}</h3>
    <p class="equation">{{ fit.equation }}</p>
    <p class="muted small">{{ unit }}; t is the time code, 1 in the first period</p>
    <table>
      <thead>
        <tr>
          <th scope="col">term</th>
          <th scope="col" class="number">estimate</th>
          <th scope="col" class="number">std. error</th>
          <th scope="col" class="number">t</th>
          <th scope="col" class="number">p</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="term in fit.terms" :key="term.name">
          <th scope="row">{{ term.name }}</th>
          <td class="number">{{ figure(term.estimate) }}</td>
          <td class="number">{{ figure(term.standardError) }}</td>
          <td class="number">{{ figure(term.t, 2) }}</td>
          <td class="number">{{ term.p === null ? '–' : formatP(term.p) }}</td>
        </tr>
      </tbody>
    </table>
    <dl class="figures">
      <template v-if="hasSeason">
        <dt>R² before deseasonalizing</dt>
        <dd>{{ figure(fit.r2Before, 4) }}</dd>
      </template>
      <dt>R²{{ hasSeason ? ' after' : '' }}</dt>
      <dd class="strong">{{ figure(fit.r2, 4) }}</dd>
      <dt>adjusted R²</dt>
      <dd>{{ figure(fit.adjustedR2, 4) }}</dd>
      <dt>s, residual standard deviation ({{ unit }})</dt>
      <dd>{{ figure(fit.s) }}</dd>
      <dt>F</dt>
      <dd>{{ figure(fit.f) }}, p {{ fit.fp === null ? '–' : formatP(fit.fp) }}</dd>
      <dt>Durbin–Watson</dt>
      <dd>{{ figure(fit.durbinWatson, 2) }}</dd>
      <dt>AIC · AICc · BIC</dt>
      <dd>{{ figure(fit.aic, 1) }} · {{ figure(fit.aicc, 1) }} · {{ figure(fit.bic, 1) }}</dd>
      <dt>values, degrees of freedom</dt>
      <dd>{{ fit.n }}, {{ fit.df }}</dd>
    </dl>
  </section>
</template>

<style scoped>
.report {
  margin-top: 14px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
}

h3 {
  font-size: 13px;
}

p {
  margin: 2px 0;
}

.equation {
  color: var(--deseasonalized);
  font-size: 14px;
}

table {
  width: 100%;
  margin-top: 6px;
  border-collapse: collapse;
  font-size: 11.5px;
}

th {
  padding: 2px 4px 2px 0;
  font-weight: 400;
  text-align: left;
}

thead th {
  border-bottom: 1px solid var(--rule);
  color: var(--muted);
}

th.number {
  text-align: right;
}

td {
  padding: 2px 0 2px 6px;
}

.strong {
  font-weight: 700;
}
</style>
