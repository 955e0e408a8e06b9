<script setup lang="ts">
/** A figure of a panel whose working is a click away. */
defineProps<{
  /** Whether its working is the one that is shown. */
  isAsked?: boolean
}>()
</script>

<template>
  <v-btn variant="plain" class="asked-figure" :class="{ asked: isAsked }"><slot /></v-btn>
</template>

<style scoped>
.asked-figure {
  height: auto;
  min-width: 0;
  min-height: 24px;
  padding: 0 0 0 12px;
  font: inherit;
  letter-spacing: inherit;
  opacity: 1;
  text-transform: none;
}

/* A figure stays in one line: `< 0.0001` is no `<` over a number. */
.asked-figure :deep(.v-btn__content) {
  white-space: nowrap;
}

.asked-figure:hover,
.asked {
  color: var(--accent);
}
</style>
