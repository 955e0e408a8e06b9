<script setup lang="ts">
import { formatDecimals } from '~/figures/format'
import { AGREEMENTS, AGREEMENT_NAMES } from '~~/core/addingUp/tried'
import type { WaysTried } from '~~/core/addingUp/tried'

/** How far each way would have been off, level by level. */
defineProps<{ tried: WaysTried }>()
const shown = (value: number) => `${formatDecimals(value, 1)}%`
</script>

<template>
  <v-table class="working-table tried">
    <caption class="muted">
      off by: absolute errors of
      {{
        tried.origins
      }}
      origins in per cent of what came
    </caption>
    <thead>
      <tr class="head">
        <th scope="col">level</th>
        <th v-for="by in AGREEMENTS" :key="by" scope="col" class="number">
          {{ AGREEMENT_NAMES[by] }}
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in tried.levels" :key="row.level">
        <th scope="row">
          {{ row.level }}<span v-if="row.nodes > 1" class="muted"> ({{ row.nodes }})</span>
        </th>
        <td v-for="by in AGREEMENTS" :key="by" class="number">{{ shown(row.off[by]) }}</td>
      </tr>
      <tr class="mean">
        <th scope="row">mean of the levels</th>
        <td v-for="by in AGREEMENTS" :key="by" class="number">{{ shown(tried.off[by]) }}</td>
      </tr>
    </tbody>
  </v-table>
</template>

<style scoped>
.tried {
  max-width: 640px;
}

.mean {
  border-top: 1px solid var(--rule);
  font-weight: 600;
}

.mean th {
  font-weight: 600;
}
</style>
