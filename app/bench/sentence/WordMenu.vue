<script setup lang="ts">
import { ref } from 'vue'
import WordSheet from './WordSheet.vue'

/**
 * A word of the sentence; pressed, it opens what it could be instead. It has its id and text alone, so that a
 * change of one word does not draw all the others again.
 */
defineProps<{ id: string; text: string }>()
const open = ref(false)
</script>

<template>
  <!-- A closing animation would lay the page out in the middle of the repaint it makes way for. -->
  <v-menu v-model="open" :close-on-content-click="false" :transition="{ css: false }">
    <template #activator="{ props: activator }">
      <v-btn variant="plain" class="word" :data-word="id" v-bind="activator" :aria-owns="undefined">
        {{ text }}
      </v-btn>
    </template>
    <!-- The menu takes Enter for a step to the next field; here it presses what it is on. -->
    <div class="sheet" @keydown.enter.stop><WordSheet :id="id" @done="open = false" /></div>
  </v-menu>
</template>

<style scoped>
.word {
  padding: 0;
  border: 0;
  border-bottom: 1px solid var(--accent);
  background: none;
  color: var(--accent);
  font: inherit;
  font-weight: 600;
  line-height: 1.25;
  cursor: pointer;
}

.word:hover {
  border-bottom-width: 2px;
}

.sheet {
  min-width: 220px;
  max-width: 380px;
  /* A sheet that is higher than the window scrolls in itself. */
  overflow-y: auto;
}
</style>
