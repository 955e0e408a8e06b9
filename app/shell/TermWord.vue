<script setup lang="ts">
import { computed } from 'vue'
import { GLOSSARY, type TermName } from '~~/core/glossary/glossary'

/** A term that can be asked: pressed, it says what it means. */
const props = defineProps<{ of: TermName }>()
const entry = computed(() => GLOSSARY[props.of])
</script>

<template>
  <v-menu :open-on-hover="false">
    <template #activator="{ props: activator }">
      <v-btn variant="plain" class="term" v-bind="activator" :aria-owns="undefined">
        <slot>{{ entry.term }}</slot>
      </v-btn>
    </template>
    <div class="meaning" role="note">
      <strong>{{ entry.term }}</strong>
      <p>{{ entry.means }}</p>
      <p class="muted small">{{ entry.by }}</p>
    </div>
  </v-menu>
</template>

<style scoped>
.term {
  text-decoration: underline dotted;
  text-decoration-thickness: 1px;
  text-underline-offset: 3px;
}

.meaning {
  max-width: 320px;
  padding: 10px 14px;
}

p {
  margin: 3px 0 0;
}
</style>
