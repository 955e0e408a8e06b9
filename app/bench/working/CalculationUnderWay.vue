<script setup lang="ts">
import type { Progress } from '~~/core/work/steps'
import TriedTable from '../figures/TriedTable.vue'

/** How far a long calculation has come; where something is chosen, what was tried so far, the best first. */
defineProps<{ progress: Progress; of: string; canStop: boolean }>()
defineEmits<{ stop: [] }>()
</script>

<template>
  <section class="working-part" role="status">
    <h3>{{ of }}: {{ progress.done }} of {{ progress.of }} {{ progress.words }}</h3>
    <v-progress-linear
      :model-value="(100 * progress.done) / progress.of"
      aria-label="How far it has come"
    />
    <v-btn v-if="canStop" class="small" @click="$emit('stop')"
      >Stop, and take the change back</v-btn
    >
    <TriedTable
      v-if="progress.tried"
      caption="The best so far"
      head="tried"
      :rows="progress.tried"
    />
  </section>
</template>
