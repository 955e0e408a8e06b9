<script setup lang="ts">
import type { Choice } from '~~/core/word'
import { useBench } from '../study/benchStore'

/** What a word could be instead, with what each would mean. */
defineProps<{ name: string; choices: readonly Choice[] }>()
const emit = defineEmits<{ done: [] }>()
const bench = useBench()

function choose({ change }: Choice) {
  emit('done')
  void bench.changePart(change)
}
</script>

<template>
  <v-list class="options" role="listbox" :aria-label="name">
    <v-list-item
      v-for="choice in choices"
      :key="choice.text"
      role="option"
      class="option"
      :active="choice.chosen"
      :aria-selected="choice.chosen"
      @click="choose(choice)"
    >
      <span class="name">{{ choice.text }}</span>
      <span class="muted small">{{ choice.means }}</span>
    </v-list-item>
  </v-list>
</template>

<style scoped>
.option {
  padding: 6px 12px !important;
  font-size: 13px;
}

.name {
  display: block;
  font-weight: 600;
}
</style>
