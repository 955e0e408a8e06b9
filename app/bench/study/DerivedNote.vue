<script setup lang="ts">
import { inReadersFigures } from '~/figures/format'
import type { Derived } from '~~/shared/api/derived'

/** Which row of which series this one is, that it follows it, and why it did not where it could not. */
defineProps<{ derived: Derived }>()
</script>

<template>
  <span>
    {{ derived.label }}
    <template v-if="derived.from">
      of
      <NuxtLink :to="`/study/${derived.from.studyId}`">{{
        derived.from.name.slice(0, 80)
      }}</NuxtLink>
      <template v-if="derived.problem"
        >, as it was: {{ inReadersFigures(derived.problem) }}</template
      >
      <template v-else>, follows its values</template>
    </template>
    <template v-else>of a series that was deleted</template> ·
  </span>
</template>
