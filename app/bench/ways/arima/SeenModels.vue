<script setup lang="ts">
import type { GivenModel } from '~~/core/arima/orderOptions'
import TriedTable from '../../figures/TriedTable.vue'
import type { SeenRow } from './seenStore'

/** The models that were looked at so far; any of them is taken back by a click. */
defineProps<{ rows: readonly SeenRow[] }>()
defineEmits<{ take: [model: GivenModel] }>()
</script>

<template>
  <TriedTable v-if="rows.length > 1" caption="Models looked at" head="model" :rows="rows">
    <template #default="{ row, at }">
      <strong v-if="rows[at]!.isPresent">{{ row.name }}</strong>
      <v-btn
        v-else
        color="accent"
        :aria-label="`take back ${row.name}`"
        @click="$emit('take', rows[at]!.seen)"
      >
        {{ row.name }}
      </v-btn>
    </template>
  </TriedTable>
</template>
