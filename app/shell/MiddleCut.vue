<script setup lang="ts">
import { computed } from 'vue'

/** A text that is cut in the middle where it does not fit, and whole on hover. */
const props = defineProps<{ text: string }>()
/** Its end stays: names of series often differ only there. */
const TAIL = 9
const parts = computed(() => {
  const letters = [...props.text]
  return letters.length <= 2 * TAIL
    ? null
    : { start: letters.slice(0, -TAIL).join(''), end: letters.slice(-TAIL).join('') }
})
</script>

<template>
  <bdi v-if="parts === null">{{ text }}</bdi>
  <span v-else :data-tip="text" class="cut" dir="auto">
    <!-- Read out as one word, drawn as two. -->
    <span class="visually-hidden">{{ text }}</span>
    <span class="start" aria-hidden="true">{{ parts.start }}</span>
    <span class="end" aria-hidden="true">{{ parts.end }}</span>
  </span>
</template>

<style scoped>
.cut {
  display: inline-flex;
  min-width: 0;
  max-width: 100%;
  vertical-align: bottom;
}

.start {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: pre;
}

.end {
  flex: none;
  white-space: pre;
}
</style>
