<script setup lang="ts">
import { ref } from 'vue'
import { api } from '~/api/client'
import { isKeyNeeded } from '~/api/keyNeeded'

/** Asks for the key of a server that other machines can reach; nothing can be seen before it is given. */
const key = ref('')
const failure = ref('')
const isAsking = ref(false)

async function give() {
  isAsking.value = true
  failure.value = ''
  try {
    await api('/key', { method: 'POST', body: { key: key.value.trim() } })
    // What was refused before is asked for again.
    location.reload()
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    isAsking.value = false
  }
}
</script>

<template>
  <v-dialog :model-value="isKeyNeeded" persistent max-width="460" aria-labelledby="key-title">
    <h2 id="key-title" class="serif dialog-title">The key of this Elvant</h2>
    <p>
      Other machines can reach it, so it asks for its key once in each browser. Who started it has
      the key.
    </p>
    <form @submit.prevent="give()">
      <v-text-field
        v-model="key"
        type="password"
        autocomplete="current-password"
        aria-label="Key"
        placeholder="key"
        autofocus
        :error="failure !== ''"
      />
      <p v-if="failure" class="small failure" role="alert">{{ failure }}</p>
      <p class="dialog-acts">
        <v-btn type="submit" variant="flat" :disabled="key.trim() === '' || isAsking">Open</v-btn>
      </p>
    </form>
  </v-dialog>
</template>

<style scoped>
form {
  margin-top: 12px;
}

.failure {
  margin: 6px 0 0;
}
</style>
