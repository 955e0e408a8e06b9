<script setup lang="ts">
import { formatDecimals } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { FormRow } from '~~/core/stateSpace/figures'
import { formWords } from '~~/core/forecast/smoothing/words'

/** Forms of smoothing by AICc, those that cannot be carried out last. */
defineProps<{ rows: readonly FormRow[] }>()
</script>

<template>
  <v-table class="working-table">
    <caption>
      Forms to choose from
    </caption>
    <thead>
      <tr class="head">
        <th scope="col">form</th>
        <th scope="col" class="number">numbers</th>
        <th scope="col" class="number"><TermWord of="aic">AICc</TermWord></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="formWords(row.form)">
        <th scope="row">
          {{ formWords(row.form) }}
          <span v-if="row.because" class="muted">{{ row.because }}</span>
        </th>
        <td class="number">{{ row.k }}</td>
        <td class="number">{{ row.aicc === null ? '–' : formatDecimals(row.aicc, 1) }}</td>
      </tr>
    </tbody>
  </v-table>
</template>
