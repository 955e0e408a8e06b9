<script setup lang="ts">
import { computed, ref } from 'vue'
import { GLOSSARY } from '~~/core/glossary/glossary'

/** Every term with its meaning, to be searched. */
const open = defineModel<boolean>({ required: true })
const sought = ref('')
const found = computed(() => {
  const words = sought.value.trim().toLowerCase()
  return Object.entries(GLOSSARY).filter(([, { term, means }]) =>
    `${term} ${means}`.toLowerCase().includes(words),
  )
})
</script>

<template>
  <v-dialog v-model="open" max-width="600" scrollable aria-labelledby="glossary-title">
    <h2 id="glossary-title" class="serif">Terms</h2>
    <v-text-field
      v-model="sought"
      class="search"
      placeholder="search"
      aria-label="Search the terms"
    />
    <dl class="terms" tabindex="0" aria-label="Terms">
      <template v-for="[name, { term, means, by }] in found" :key="name">
        <dt>{{ term }}</dt>
        <dd>
          {{ means }} <span class="muted small by">{{ by }}</span>
        </dd>
      </template>
    </dl>
    <p v-if="found.length === 0" class="muted">No term is called that.</p>
    <p class="ends"><v-btn variant="flat" @click="open = false">Close</v-btn></p>
  </v-dialog>
</template>

<style scoped>
.search {
  flex: none;
  max-width: 260px;
  margin: 12px 0;
}

.terms {
  overflow-y: auto;
  margin: 0;
}

dt {
  font-weight: 600;
}

dd {
  margin: 0 0 9px;
}

.by {
  display: block;
}

.ends {
  margin: 12px 0 0;
}
</style>
