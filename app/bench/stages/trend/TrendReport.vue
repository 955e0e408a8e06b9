<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure, formatP, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { hasSeason } from '../panel'

const props = defineProps<{ result: Result }>()
const fit = computed(() => props.result.trendFit)
const unit = computed(() => props.result.series.unit)
const withSeason = computed(() => hasSeason(props.result))

function figure(value: Value, decimals?: number): string {
  if (value === null) return '–'
  return decimals === undefined ? formatFigure(value) : formatDecimals(value, decimals)
}
</script>

<template>
  <section class="report">
    <h3>Trend through the {{ withSeason ? 'deseasonalized series' : 'series' }}</h3>
    <p class="equation">{{ inReadersFigures(fit.equation) }}</p>
    <p class="muted small">
      <template v-if="unit">{{ unit }}; </template>t is the <TermWord of="timeCode" />, 1 in the
      first period
    </p>
    <v-table>
      <thead>
        <tr>
          <th scope="col">term</th>
          <th scope="col" class="number">estimate</th>
          <th scope="col" class="number"><TermWord of="standardError">std. error</TermWord></th>
          <th scope="col" class="number"><TermWord of="t" /></th>
          <th scope="col" class="number"><TermWord of="p" /></th>
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
    </v-table>
    <dl class="figures">
      <template v-if="withSeason">
        <dt>R² before deseasonalizing</dt>
        <dd>{{ figure(fit.r2Before, 4) }}</dd>
      </template>
      <dt><TermWord of="rSquared">R²</TermWord>{{ withSeason ? ' after' : '' }}</dt>
      <dd class="strong">{{ figure(fit.r2, 4) }}</dd>
      <dt><TermWord of="adjustedRSquared" /></dt>
      <dd>{{ figure(fit.adjustedR2, 4) }}</dd>
      <dt>
        <TermWord of="s" /><template v-if="unit"> ({{ unit }})</template>
      </dt>
      <dd>{{ figure(fit.s) }}</dd>
      <dt><TermWord of="f" /></dt>
      <dd>{{ figure(fit.f) }}, p {{ fit.fp === null ? '–' : formatP(fit.fp) }}</dd>
      <dt><TermWord of="durbinWatson" /></dt>
      <dd>{{ figure(fit.durbinWatson, 2) }}</dd>
      <dt><TermWord of="aic">AIC · AICc · BIC</TermWord></dt>
      <dd>{{ figure(fit.aic, 1) }} · {{ figure(fit.aicc, 1) }} · {{ figure(fit.bic, 1) }}</dd>
      <dt>values, <TermWord of="degreesOfFreedom" /></dt>
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

.v-table {
  --cell: 2px 0 2px 6px;

  margin-top: 6px;
  font-size: 11.5px;
}

th {
  font-weight: 400;
  text-align: left;
}

thead th {
  border-bottom: 1px solid var(--rule) !important;
  color: var(--muted);
}

th:first-child {
  padding-left: 0 !important;
}

th.number {
  text-align: right;
}

.strong {
  font-weight: 700;
}
</style>
