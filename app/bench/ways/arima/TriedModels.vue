<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatDecimals } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { ToldModel } from '~~/core/forecast/arima/calculate'

/** The models that were tried, the best first; any of them can be taken. */
const props = defineProps<{ models: readonly ToldModel[] }>()
defineEmits<{ take: [model: ToldModel] }>()

const FIRST = 8
const isWhole = ref(false)
const shown = computed(() => (isWhole.value ? props.models : props.models.slice(0, FIRST)))
</script>

<template>
  <v-table class="working-table">
    <caption>
      Models that were tried
    </caption>
    <thead>
      <tr class="head">
        <th scope="col">model</th>
        <th scope="col" class="number">numbers</th>
        <th scope="col" class="number"><TermWord of="aic">AICc</TermWord></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(model, i) in shown" :key="model.name">
        <th scope="row">
          <strong v-if="i === 0">{{ model.name }}</strong>
          <v-btn
            v-else-if="model.k !== null"
            color="accent"
            :aria-label="`take ${model.name}`"
            @click="$emit('take', model)"
          >
            {{ model.name }}
          </v-btn>
          <template v-else>{{ model.name }}</template>
          <span v-if="model.because" class="muted">{{ model.because }}</span>
        </th>
        <td class="number">{{ model.k ?? '–' }}</td>
        <td class="number">{{ model.aicc === null ? '–' : formatDecimals(model.aicc, 1) }}</td>
      </tr>
    </tbody>
  </v-table>
  <v-btn v-if="models.length > FIRST && !isWhole" color="accent" @click="isWhole = true">
    all {{ models.length }}
  </v-btn>
</template>
