<script setup lang="ts">
import MethodSentence from '../sentence/MethodSentence.vue'
import StagePath from '../stages/StagePath.vue'
import { useBench } from '../study/benchStore'
import WorkingPanel from '../working/WorkingPanel.vue'
import TimePlane from './TimePlane.vue'

/** The page of a Bench: its head, then sentence, path, strips with ledger, and working, or what takes their place. */
defineProps<{
  /** Said while it is opened. */
  opening: string
  /** Where to go when it cannot be. */
  back: { readonly to: string; readonly text: string }
}>()
const bench = useBench()
</script>

<template>
  <div class="bench">
    <slot name="head" />
    <p v-if="bench.state === 'loading'" class="message muted" role="status">{{ opening }}</p>
    <div v-else-if="bench.state === 'failed'" class="message" role="alert">
      <p>{{ bench.failure }}</p>
      <NuxtLink :to="back.to">{{ back.text }}</NuxtLink>
    </div>
    <template v-else>
      <slot name="note" />
      <MethodSentence />
      <main class="columns">
        <StagePath />
        <slot>
          <TimePlane />
          <WorkingPanel />
        </slot>
      </main>
    </template>
  </div>
</template>

<style scoped>
.bench {
  display: flex;
  flex-direction: column;
  height: 100dvh;
}

.columns {
  display: grid;
  flex: 1;
  grid-template-columns: var(--path-width) minmax(0, 1fr) var(--working-width);
  min-height: 0;
}

.columns :deep(> *) {
  min-height: 0;
  overflow-y: auto;
}

.message {
  padding: 32px;
}

@media (width >= 1600px) {
  .columns {
    --working-width: 420px;
  }
}

/* Narrow, the parts stand one under the other, and the page scrolls as a whole. */
@media (width < 980px) {
  .bench {
    height: auto;
    min-width: 0;
  }

  .columns {
    display: block;
  }
}
</style>
