<script setup lang="ts">
/** What stands over the strips when they do not show what was asked for: why, and what would help. */
defineProps<{ lead: string }>()
</script>

<template>
  <p class="plane-notice" role="alert">
    <strong>{{ lead }}</strong> <slot />
  </p>
</template>

<style scoped>
.plane-notice {
  margin: 4px 12px 10px;
  padding: 8px 12px;
  border-left: 3px solid var(--danger);
  background: var(--band);
}
</style>
