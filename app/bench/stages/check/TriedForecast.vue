<script setup lang="ts">
import { computed } from 'vue'
import type { Result } from '~~/core/result'
import ForecastBesideActual from '../../view/ForecastBesideActual.vue'
import { useLedger } from '../../view/ledgerStore'
import { useCheck } from '../../check/checkStore'

/** What would have been said at one origin, and what came. */
const props = defineProps<{ result: Result }>()
const check = useCheck()
const ledger = useLedger()

const tried = computed(() => check.tried!)
const isHoldout = computed(() => tried.value.origin === check.checked?.holdout.origin)
/** Those of the model, whatever the method makes its limits of. */
const limits = computed(() => {
  const level = Math.max(0, ...props.result.method.forecast.levels)
  const own = tried.value.limits[level]
  return own ? { ...own, level } : null
})
</script>

<template>
  <section class="working-part">
    <h3>
      From {{ ledger.labelAt(tried.origin) }}
      <span class="muted small">{{ ledger.scale.unit }}</span>
    </h3>
    <ForecastBesideActual
      :origin="tried.origin"
      :forecast="tried.forecast"
      :actual="tried.actual"
      :limits="limits"
      limits-of="of the model"
    >
      <template v-if="isHoldout">The last {{ tried.forecast.length }} hidden. </template>
    </ForecastBesideActual>
  </section>
</template>
