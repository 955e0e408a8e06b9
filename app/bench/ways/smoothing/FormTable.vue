<script setup lang="ts">
import { computed } from 'vue'
import type { FormRow } from '~~/core/stateSpace/figures'
import { formWords } from '~~/core/forecast/smoothing/words'
import TriedTable from '../../figures/TriedTable.vue'

/** Forms of smoothing by AICc, those that cannot be carried out last. */
const props = defineProps<{ rows: readonly FormRow[] }>()
const tried = computed(() =>
  props.rows.map(({ form, k, aicc, because }) => ({
    ...{ name: formWords(form), numbers: k, aicc, because },
  })),
)
</script>

<template>
  <TriedTable caption="Forms to choose from" head="form" :rows="tried" />
</template>
