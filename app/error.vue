<script setup lang="ts">
import { computed } from 'vue'
import type { NuxtError } from '#app'

/** What is shown when a page is not there, or could not be drawn. */
const props = defineProps<{ error: NuxtError }>()
const isMissing = computed(() => props.error.statusCode === 404)
</script>

<template>
  <main class="nowhere">
    <h1 class="serif">
      {{ isMissing ? 'There is no such page' : 'This page could not be drawn' }}
    </h1>
    <p>
      {{
        isMissing
          ? 'The address may be mistyped, or what was there has been deleted.'
          : 'What was saved before is safe. Load the page again; if that does not help, the shelf may.'
      }}
    </p>
    <p><a href="/">To the shelf</a></p>
  </main>
</template>

<style scoped>
.nowhere {
  max-width: 520px;
  margin: 18vh auto 0;
  padding: 0 20px;
}
</style>
