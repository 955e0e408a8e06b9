<script setup lang="ts">
import { computed } from 'vue'
import type { ExtremesOfYear } from '~~/core/decompose/iterated/diagnosis'
import type { Model } from '~~/core/model'
import { changeText } from './changeText'

/** How much the irregular spreads in each year, and how many of its periods are not believed in full. */
const props = defineProps<{ years: readonly ExtremesOfYear[]; model: Model }>()
const most = computed(() => Math.max(...props.years.map(({ sigma }) => sigma)))
const total = computed(() => props.years.reduce((sum, { part, none }) => sum + part + none, 0))
</script>

<template>
  <p class="muted small">
    {{
      total === 0
        ? 'Every period is believed in full.'
        : `${total} periods are not believed in full.`
    }}
    σ is measured over five years around each.
  </p>
  <v-table class="working-table">
    <thead>
      <tr class="head">
        <th scope="col">year</th>
        <th scope="col"><span class="visually-hidden">σ, drawn</span></th>
        <th scope="col" class="number">σ</th>
        <th scope="col" class="number">in part</th>
        <th scope="col" class="number">not at all</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in years" :key="one.year">
        <th scope="row">{{ one.year }}</th>
        <td class="bar-cell">
          <span class="bar" :style="{ width: `${most === 0 ? 0 : (100 * one.sigma) / most}%` }" />
        </td>
        <td class="number">{{ changeText(one.sigma, model) }}</td>
        <td class="number" :class="{ muted: one.part === 0 }">{{ one.part || '·' }}</td>
        <td class="number" :class="{ muted: one.none === 0 }">{{ one.none || '·' }}</td>
      </tr>
    </tbody>
  </v-table>
</template>

<style scoped>
p {
  margin: 0 0 4px;
}

.bar-cell {
  width: 80px;
}

.bar {
  display: block;
  height: 8px;
  background: var(--irregular);
  opacity: 0.8;
}
</style>
