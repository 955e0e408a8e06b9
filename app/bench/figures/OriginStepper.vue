<script setup lang="ts">
/** From one origin of a check to the next, or to the one before. */
defineProps<{
  /** The last period that was known. */
  origin: string
  isFirst?: boolean
  isLast?: boolean
  /** Keys that do the same, where there are any: said in the tips. */
  keys?: readonly [before: string, next: string]
}>()
defineEmits<{ step: [by: 1 | -1] }>()
</script>

<template>
  <span class="pair">
    from
    <v-btn
      class="small"
      aria-label="Origin before"
      :data-tip="keys ? `Origin before (${keys[0]})` : ''"
      :disabled="isFirst"
      @click="$emit('step', -1)"
    >
      ‹
    </v-btn>
    <strong aria-live="polite">{{ origin }}</strong>
    <v-btn
      class="small"
      aria-label="Next origin"
      :data-tip="keys ? `Next origin (${keys[1]})` : ''"
      :disabled="isLast"
      @click="$emit('step', 1)"
    >
      ›
    </v-btn>
  </span>
</template>

<style scoped>
.pair {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
</style>
