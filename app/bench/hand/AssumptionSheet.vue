<script setup lang="ts">
import type { Method } from '~~/core/method'
import AssumptionList from './AssumptionList.vue'

/** The word of the sentence: what is assumed, and where more of it is. */
defineProps<{ method: Method }>()
</script>

<template>
  <div class="sheet">
    <p class="muted small">
      The statistical forecast stays beside the bent one, and the check judges it alone. More is
      assumed at Project: select a forecast figure.
    </p>
    <AssumptionList :method="method" />
  </div>
</template>

<style scoped>
.sheet {
  padding: 10px 16px;
}

p {
  margin: 0 0 4px;
}
</style>
