<script setup lang="ts">
import { formatFigure } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { Stationarity } from '~~/core/stationarity/stationarity'

/** Both tests of whether values stay around a level, with their figures. */
defineProps<{ tests: Stationarity }>()
</script>

<template>
  <dl class="figures">
    <dt><TermWord of="dickeyFuller">Dickey–Fuller</TermWord>, a wandering series</dt>
    <dd v-if="tests.dickeyFuller.made">
      {{ tests.dickeyFuller.test.rejects ? 'rejected' : 'not rejected' }}
    </dd>
    <dd v-else>–</dd>
    <template v-if="tests.dickeyFuller.made">
      <dt>τ; 5% value; lags</dt>
      <dd>
        {{ formatFigure(tests.dickeyFuller.test.statistic) }};
        {{ formatFigure(tests.dickeyFuller.test.critical['5']) }};
        {{ tests.dickeyFuller.test.lag }}
      </dd>
    </template>
    <dt><TermWord of="kpss">KPSS</TermWord>, a staying series</dt>
    <dd v-if="tests.kpss.made">{{ tests.kpss.test.rejects ? 'rejected' : 'not rejected' }}</dd>
    <dd v-else>–</dd>
    <template v-if="tests.kpss.made">
      <dt>η; 5% value; lags</dt>
      <dd>
        {{ formatFigure(tests.kpss.test.statistic) }};
        {{ formatFigure(tests.kpss.test.critical['5']) }}; {{ tests.kpss.test.lags }}
      </dd>
    </template>
  </dl>
</template>
