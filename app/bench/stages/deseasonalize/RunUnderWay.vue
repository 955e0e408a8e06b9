<script setup lang="ts">
import { inReadersFigures } from '~/figures/format'
import type { RunState } from '~/workers/run'
import type { Progress } from '~~/core/work/steps'

/** Something that is worked out beside the page: how to begin it, how far it has come, or why it failed. */
defineProps<{
  run: {
    readonly state: RunState
    readonly because: string
    readonly progress: Progress | null
    stop(): void
  }
  /** What is worked out: `revisions`. */
  name: string
}>()
</script>

<template>
  <div v-if="run.state === 'running'" role="status">
    <p class="small">
      {{ run.progress ? `${run.progress.done} of ${run.progress.of} ${run.progress.words}` : '…' }}
      <v-btn class="small" @click="run.stop()">Stop</v-btn>
    </p>
    <v-progress-linear
      :model-value="run.progress ? (100 * run.progress.done) / run.progress.of : 0"
      :aria-label="`How far the ${name} have come`"
    />
  </div>
  <template v-else>
    <p v-if="run.state === 'refused' || run.state === 'failed'" class="small" role="alert">
      {{ inReadersFigures(run.because) }}
    </p>
    <slot />
  </template>
</template>

<style scoped>
p {
  margin: 2px 0 6px;
}
</style>
