<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure, formatP } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { cycleOfResult } from '~~/core/ledger/calendarOfResult'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'

/** Is there a season, does it stay as it is, how strong is it, and which model fits? */
const props = defineProps<{ result: Result }>()
const cycle = computed(() => cycleOfResult(props.result))
const tests = computed(() => props.result.seasonTests!)
const strength = computed(() => props.result.strength)
const model = computed(() => props.result.whichModel)
const p = (value: Value) => (value === null ? '–' : `p ${formatP(value)}`)
const figure = (value: Value) => (value === null ? '–' : formatFigure(value))
const share = (value: Value) => (value === null ? '–' : `${formatDecimals(value * 100, 1)}%`)
const two = (value: Value) => (value === null ? '–' : formatDecimals(value, 2))
</script>

<template>
  <v-expansion-panels class="tests working-part">
    <v-expansion-panel title="Tests and strengths">
      <v-expansion-panel-text>
        <dl class="figures">
          <dt>
            <TermWord of="stableSeason">stable season</TermWord>, F({{
              tests.stable.df.join(', ')
            }})
            <span class="hint">do the seasons differ?</span>
          </dt>
          <dd>{{ figure(tests.stable.f) }}, {{ p(tests.stable.p) }}</dd>
          <dt>
            <TermWord of="kruskalWallis">Kruskal–Wallis</TermWord>, {{ tests.kruskalWallis.df }} df
            <span class="hint">the same on ranks</span>
          </dt>
          <dd>{{ figure(tests.kruskalWallis.h) }}, {{ p(tests.kruskalWallis.p) }}</dd>
          <dt>
            <TermWord of="movingSeason">moving season</TermWord>, F({{
              tests.moving.df.join(', ')
            }})
            <span class="hint">does its size change over the {{ cycle }}s?</span>
          </dt>
          <dd>{{ figure(tests.moving.f) }}, {{ p(tests.moving.p) }}</dd>
          <dt>
            <TermWord of="autocorrelation">autocorrelation</TermWord> one and two {{ cycle }}s back
          </dt>
          <dd>
            {{ two(tests.autocorrelation.oneYear) }}, {{ two(tests.autocorrelation.twoYears) }}
          </dd>
          <dt><TermWord of="strength">strength</TermWord> of season, of trend</dt>
          <dd>{{ two(strength.season) }}, {{ two(strength.trend) }}</dd>
          <template v-if="strength.withoutDistrusted">
            <dt>the same without distrusted periods</dt>
            <dd>
              {{ two(strength.withoutDistrusted.season) }},
              {{ two(strength.withoutDistrusted.trend) }}
            </dd>
          </template>
          <template v-if="model">
            <dt>
              <TermWord of="swing">yearly swing varies</TermWord>: as an amount, as a share
              <span class="hint">the smaller fits better</span>
            </dt>
            <dd>
              {{ share(model.variation.additive) }}, {{ share(model.variation.multiplicative) }}
            </dd>
          </template>
        </dl>
      </v-expansion-panel-text>
    </v-expansion-panel>
  </v-expansion-panels>
</template>

<style scoped>
.hint {
  display: block;
  font-size: 11px;
  font-style: italic;
}
</style>
