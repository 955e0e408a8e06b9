<script setup lang="ts">
import type { Outcome } from '~/workers/outcome'
import { inReadersFigures } from '~/figures/format'
import { useBench } from '../study/benchStore'
import PlaneNotice from './PlaneNotice.vue'

/** Why a method is refused, and the one choice that would do instead. */
defineProps<{ refusal: Outcome & { kind: 'refused' } }>()
const bench = useBench()
</script>

<template>
  <PlaneNotice lead="Refused.">
    {{ inReadersFigures(refusal.because) }}
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
  </PlaneNotice>
</template>

<style scoped>
.remedies {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 12px;
  margin-top: 4px;
}
</style>
