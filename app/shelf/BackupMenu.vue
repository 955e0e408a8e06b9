<script setup lang="ts">
import { ref } from 'vue'
import { useNotices } from '~/shell/noticeStore'
import type { Problem } from '~~/shared/api/problem'
import { useShelf } from './shelfStore'

/** The whole database as one file, and back. */
const open = ref(false)
const chosen = ref<File | null>(null)
const isRestoring = ref(false)
const notices = useNotices()

function onPick(event: Event) {
  const input = event.target as HTMLInputElement
  chosen.value = input.files?.[0] ?? null
  input.value = ''
}

async function restore() {
  isRestoring.value = true
  try {
    const response = await fetch('/api/v1/backup', { method: 'POST', body: chosen.value })
    if (!response.ok) throw new Error(((await response.json()) as Problem).detail)
    await useShelf().load()
    notices.show({ text: 'The backup is in place; what was there before is kept beside it.' })
    open.value = false
  } catch (error) {
    notices.show({ text: (error as Error).message })
  } finally {
    isRestoring.value = false
    chosen.value = null
  }
}
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false" location="bottom end">
    <template #activator="{ props: activator }">
      <button type="button" class="plain-button" v-bind="activator" :aria-owns="undefined">
        Backup
      </button>
    </template>
    <div class="sheet">
      <p>
        <a href="/api/v1/backup" download class="plain-button strong"
          >Save everything as one file</a
        >
      </p>
      <p v-if="chosen === null">
        <label class="plain-button strong pick">
          Restore from a backup…
          <input type="file" class="visually-hidden" @change="onPick" />
        </label>
      </p>
      <div v-else role="group" aria-label="Restore from a backup">
        <p>
          Put <strong>{{ chosen.name.slice(0, 80) }}</strong> in the place of everything on the
          shelf? What is there now is kept beside the database.
        </p>
        <button type="button" class="solid-button" :disabled="isRestoring" @click="restore">
          {{ isRestoring ? 'Restoring…' : 'Restore' }}
        </button>
        <button type="button" class="plain-button" @click="chosen = null">Leave it</button>
      </div>
    </div>
  </v-menu>
</template>

<style scoped>
.sheet {
  width: 280px;
  padding: 10px 12px;
}

p {
  margin: 4px 0;
}

a {
  text-decoration: none;
}

.pick {
  cursor: pointer;
}
</style>
