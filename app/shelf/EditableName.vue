<script setup lang="ts">
import { onMounted, ref } from 'vue'

const props = defineProps<{ name: string }>()
const emit = defineEmits<{ done: [name: string]; cancel: [] }>()
const text = ref(props.name)
const field = ref<HTMLInputElement | null>(null)
onMounted(() => field.value?.select())

/** An empty name is no name: the old one stays. */
function finish() {
  const name = text.value.trim()
  if (name) emit('done', name)
  else emit('cancel')
}
</script>

<template>
  <v-text-field
    ref="field"
    v-model="text"
    class="field"
    aria-label="Name of the series"
    maxlength="10000"
    @keydown.enter="finish"
    @keydown.esc="emit('cancel')"
    @blur="finish"
  />
</template>

<style scoped>
.field {
  width: 100%;
  box-sizing: border-box;
}
</style>
