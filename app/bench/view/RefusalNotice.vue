<script setup lang="ts">
import type { Outcome } from '~/workers/outcome'
import { inReadersFigures } from '~/figures/format'
import { useBench } from '../study/benchStore'

/** Why a method is refused, and the one choice that would do instead. */
defineProps<{ refusal: Outcome & { kind: 'refused' } }>()
const bench = useBench()
</script>

<template>
  <p class="refusal" role="alert">
    <strong>Refused.</strong> {{ inReadersFigures(refusal.because) }}
    <span v-if="refusal.remedies.length > 0" class="remedies">
      What would help:
      <v-btn
        v-for="remedy in refusal.remedies"
        :key="remedy.label"
        color="accent"
        @click="bench.changePart(remedy.change)"
      >
        {{ remedy.label }}
      </v-btn>
    </span>
  </p>
</template>

<style scoped>
.refusal {
  margin: 4px 12px 10px;
  padding: 8px 12px;
  border-left: 3px solid var(--danger);
  background: var(--band);
}

.remedies {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 12px;
  margin-top: 4px;
}
</style>
