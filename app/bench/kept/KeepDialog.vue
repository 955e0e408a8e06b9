<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useNotices } from '~/shell/noticeStore'
import { useKept } from './keptStore'

/** Asks for the name under which the forecast on the screen is kept, and a note. */
const open = defineModel<boolean>({ required: true })
const kept = useKept()
const notices = useNotices()
const name = ref('')
const note = ref('')
const failure = ref('')
const isKeeping = ref(false)
const isTaken = computed(() => kept.rows.some((one) => one.name === name.value.trim()))
watch(open, () => {
  name.value = note.value = failure.value = ''
})

async function keep() {
  if (name.value.trim() === '' || isKeeping.value) return
  isKeeping.value = true
  failure.value = ''
  try {
    await kept.keep(name.value.trim(), note.value)
    notices.show({ text: `Kept as “${name.value.trim()}”.` })
    open.value = false
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    isKeeping.value = false
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="460" aria-labelledby="keep-title">
    <h2 id="keep-title" class="serif dialog-title">Keep this forecast</h2>
    <p>
      Values, adjustments, method, assumptions and figures are frozen as they are now, to be judged
      by what comes. Nothing of it can be altered afterwards.
    </p>
    <form @submit.prevent="keep()">
      <v-text-field
        v-model="name"
        autofocus
        maxlength="200"
        aria-label="Name of the kept forecast"
        placeholder="name, such as Budget 2027"
      />
      <v-textarea
        v-model="note"
        rows="3"
        maxlength="20000"
        aria-label="Note"
        placeholder="what is to be remembered of it"
      />
      <p v-if="isTaken" class="muted small">Another one has this name; both stay.</p>
      <p v-if="failure" class="small failure" role="alert">{{ failure }}</p>
      <p class="dialog-acts">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" variant="flat" :disabled="name.trim() === '' || isKeeping">
          Keep
        </v-btn>
      </p>
    </form>
  </v-dialog>
</template>

<style scoped>
form {
  display: grid;
  margin-top: 12px;
  gap: 8px;
}

form p {
  margin: 0;
}

.failure {
  color: var(--danger);
}
</style>
