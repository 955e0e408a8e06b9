<script setup lang="ts">
import { formatDecimals } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { Progress } from '~~/core/work/steps'

/** How far a long calculation has come; where something is chosen, what was tried so far, the best first. */
defineProps<{ progress: Progress; of: string }>()
</script>

<template>
  <section class="working-part" role="status">
    <h3>{{ of }}: {{ progress.done }} of {{ progress.of }} {{ progress.words }}</h3>
    <v-progress-linear
      :model-value="(100 * progress.done) / progress.of"
      aria-label="How far it has come"
    />
    <v-table v-if="progress.tried" class="working-table">
      <caption>
        The best so far
      </caption>
      <thead>
        <tr class="head">
          <th scope="col">tried</th>
          <th scope="col" class="number">numbers</th>
          <th scope="col" class="number"><TermWord of="aic">AICc</TermWord></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in progress.tried" :key="one.name">
          <th scope="row">
            {{ one.name }}
            <span v-if="one.because" class="muted">{{ one.because }}</span>
          </th>
          <td class="number">{{ one.numbers }}</td>
          <td class="number">{{ one.aicc === null ? '–' : formatDecimals(one.aicc, 1) }}</td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>
