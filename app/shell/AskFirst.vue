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
    <h2 id="ask-title" class="serif">{{ title }}</h2>
    <p><slot /></p>
    <p class="acts">
      <v-btn autofocus @click="open = false">Cancel</v-btn>
      <v-btn variant="flat" @click="confirm()">{{ action }}</v-btn>
    </p>
  </v-dialog>
</template>

<style scoped>
h2 {
  margin-bottom: 8px;
  font-size: 19px;
}

.acts {
  display: flex;
  justify-content: flex-end;
  margin-top: 18px;
  gap: 10px;
}
</style>
