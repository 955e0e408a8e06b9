<script setup lang="ts">
import { computed } from 'vue'
import type { Result } from '~~/core/result'
import { useBench } from '../../study/benchStore'
import { useBeside } from '../../beside/besideStore'
import ForecastBesideActual from '../../view/ForecastBesideActual.vue'
import { useLedger } from '../../view/ledgerStore'

/** The forecast of a span that ends early, beside what came after it. */
const props = defineProps<{ result: Result }>()
const bench = useBench()
const beside = useBeside()
const ledger = useLedger()

const limits = computed(() => {
  const { method, forecast } = props.result
  const level = Math.max(0, ...method.forecast.levels)
  const own = forecast.limits[level]
  return own ? { ...own, level } : null
})
</script>

<template>
  <section v-if="beside.came" class="working-part">
    <h3>
      What came after {{ ledger.labelAt(ledger.lastActual) }}
      <span class="muted small">{{ ledger.scale.unit }}</span>
    </h3>
    <ForecastBesideActual
      :origin="ledger.lastActual"
      :forecast="result.forecast.forecast"
      :actual="beside.came"
      :instead="bench.frozen?.judged.periods.map(({ instead }) => instead)"
      :limits="limits"
    />
  </section>
</template>
