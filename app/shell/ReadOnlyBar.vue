<script setup lang="ts">
import { onMounted, shallowRef } from 'vue'
import { api } from '~/api/client'
import type { Storage } from '~~/shared/api/storage'

/** Says on every page that nothing can be kept, where that is so. */
const readOnly = shallowRef<Storage['readOnly']>(null)
onMounted(async () => {
  try {
    readOnly.value = (await api<Storage>('/storage')).readOnly
  } catch {
    // A server that does not answer is told of by what asks it for more.
  }
})
</script>

<template>
  <v-alert v-if="readOnly" class="read-only" role="status">
    <b>Nothing can be kept.</b> {{ readOnly.says }} ({{ readOnly.file }}). Everything can be read,
    exported and backed up. {{ readOnly.helps }}
  </v-alert>
</template>

<style scoped>
.read-only {
  flex: none;
  padding: 8px 20px;
  border-bottom: 2px solid var(--accent);
  border-radius: 0;
  background: var(--band);
  color: var(--ink);
  font-size: 13px;
  overflow-wrap: anywhere;
}
</style>
