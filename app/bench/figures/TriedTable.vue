<script setup lang="ts">
import { formatDecimals } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { Tried } from '~~/core/work/steps'

/** What is chosen from by a criterion, the best first, and why it cannot be taken where it cannot. */
defineProps<{ caption: string; head: string; rows: readonly Tried[] }>()
</script>

<template>
  <v-table class="working-table">
    <caption>
      {{
        caption
      }}
    </caption>
    <thead>
      <tr class="head">
        <th scope="col">{{ head }}</th>
        <th scope="col" class="number">numbers</th>
        <th scope="col" class="number"><TermWord of="aic">AICc</TermWord></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in rows" :key="i">
        <th scope="row">
          <slot :row="row" :at="i">{{ row.name }}</slot>
          <span v-if="row.because" class="muted because">{{ row.because }}</span>
        </th>
        <td class="number">{{ row.numbers }}</td>
        <td class="number">{{ row.aicc === null ? '–' : formatDecimals(row.aicc, 1) }}</td>
      </tr>
    </tbody>
  </v-table>
</template>

<style scoped>
.because {
  margin-left: 6px;
}
</style>
