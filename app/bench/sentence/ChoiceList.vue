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
  <ul class="options" role="listbox" :aria-label="name">
    <li v-for="choice in choices" :key="choice.text" role="presentation">
      <v-btn
        variant="plain"
        role="option"
        class="option"
        :aria-selected="choice.chosen"
        @click="choose(choice)"
      >
        <span class="name">{{ choice.text }}</span>
        <span class="muted small">{{ choice.means }}</span>
      </v-btn>
    </li>
  </ul>
</template>

<style scoped>
.options {
  margin: 0;
  padding: 4px;
  list-style: none;
}

.option {
  display: block;
  width: 100%;
  padding: 7px 12px;
  border: 0;
  border-radius: 3px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.option:hover,
.option:focus-visible {
  background: var(--band);
}

.option[aria-selected='true'] .name {
  color: var(--accent);
}

.name {
  display: block;
  font-weight: 600;
}
</style>
