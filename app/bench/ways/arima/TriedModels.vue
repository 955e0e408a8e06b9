<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatDecimals } from '~/figures/format'
import type { ToldModel } from '~~/core/arima/model'
import TriedTable from '../../figures/TriedTable.vue'

/** The models that were tried, the best first; any of them can be taken. */
const props = defineProps<{ models: readonly ToldModel[] }>()
defineEmits<{ take: [model: ToldModel] }>()

const FIRST = 8
const isWhole = ref(false)
const shown = computed(() =>
  props.models
    .slice(0, isWhole.value ? undefined : FIRST)
    .map((model) => ({ ...model, numbers: model.k })),
)
</script>

<template>
  <TriedTable caption="Models that were tried" head="model" :rows="shown">
    <template #default="{ row, at }">
      <strong v-if="at === 0">{{ row.name }}</strong>
      <v-btn
        v-else-if="row.aicc !== null"
        color="accent"
        :aria-label="`take ${row.name}`"
        @click="$emit('take', models[at]!)"
      >
        {{ row.name }}
      </v-btn>
      <template v-else>{{ row.name }}</template>
      <span v-if="models[at]!.aic !== null" class="muted others">
        AIC {{ formatDecimals(models[at]!.aic!, 1) }} · BIC
        {{ formatDecimals(models[at]!.bic!, 1) }}
      </span>
    </template>
  </TriedTable>
  <v-btn v-if="models.length > FIRST && !isWhole" color="accent" @click="isWhole = true">
    all {{ models.length }}
  </v-btn>
</template>

<style scoped>
.others {
  display: block;
}
</style>
