<script setup lang="ts">
import { ref } from 'vue'

/** A button that lets a file of this machine be picked. */
defineProps<{ accept?: string }>()
const emit = defineEmits<{ pick: [file: File] }>()
const field = ref<{ $el: HTMLElement } | null>(null)
const file = ref<File | null>(null)

function open() {
  field.value?.$el.querySelector('input')?.click()
}

function pick(chosen: File | File[] | null) {
  const one = Array.isArray(chosen) ? chosen[0] : chosen
  if (one) emit('pick', one)
  // The same file can be picked again.
  file.value = null
}
</script>

<template>
  <span>
    <v-btn color="accent" @click="open"><slot /></v-btn>
    <v-file-input
      ref="field"
      :model-value="file"
      class="visually-hidden"
      tabindex="-1"
      aria-hidden="true"
      :accept="accept"
      @update:model-value="pick"
    />
  </span>
</template>
