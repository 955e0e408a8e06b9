<script setup lang="ts">
import { computed } from 'vue'
import { formatPeriodCode, inReadersFigures } from '~/figures/format'
import { withoutAssumption } from '~~/core/forecast/assumptions/change'
import { assumptionWords } from '~~/core/forecast/assumptions/words'
import type { Method } from '~~/core/method'
import { useTriedChange } from '../controls/triedChange'
import { useBench } from '../study/benchStore'

/** What is assumed of the forecast, each with its reason, to be taken out. */
const props = defineProps<{ method: Method }>()
const bench = useBench()
const { problem, change } = useTriedChange()
const assumptions = computed(() => props.method.forecast.assumptions ?? [])
const words = computed(() => {
  const { calendar, unit } = bench.series!
  const labelOf = (code: string) => formatPeriodCode(code, calendar)
  return assumptions.value.map((one) =>
    inReadersFigures(assumptionWords(one, { calendar, unit, labelOf })),
  )
})
</script>

<template>
  <div class="assumptions named-list">
    <div v-for="(one, i) in assumptions" :key="i" class="row">
      <span class="grow">
        {{ words[i] }} <span class="muted">· {{ one.reason }}</span>
      </span>
      <v-btn
        v-if="!bench.frozen"
        color="accent"
        :aria-label="`take out: ${words[i]}`"
        @click="change(withoutAssumption(assumptions, i))"
      >
        take out
      </v-btn>
    </div>
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
  </div>
</template>
