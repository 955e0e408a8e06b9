<script setup lang="ts">
/** Asks before something that is a lot, or cannot be taken back. */
defineProps<{ title: string; action: string }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ confirm: [] }>()

function confirm() {
  open.value = false
  emit('confirm')
}
</script>

<template>
  <v-dialog v-model="open" max-width="460" aria-labelledby="ask-title">
    <h2 id="ask-title" class="serif dialog-title">{{ title }}</h2>
    <p><slot /></p>
    <p class="dialog-acts">
      <v-btn autofocus @click="open = false">Cancel</v-btn>
      <v-btn variant="flat" @click="confirm()">{{ action }}</v-btn>
    </p>
  </v-dialog>
</template>
