<script setup lang="ts">
import { ref } from 'vue'
import FilePick from '~/shell/FilePick.vue'
import { useNotices } from '~/shell/noticeStore'
import type { Problem } from '~~/shared/api/problem'
import { useShelf } from './shelfStore'

/** The whole database as one file, and back. */
const open = ref(false)
const chosen = ref<File | null>(null)
const isRestoring = ref(false)
const notices = useNotices()

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
      <v-btn v-bind="activator" :aria-owns="undefined"> Backup </v-btn>
    </template>
    <div class="sheet" @keydown.enter.stop>
      <p>
        <v-btn href="/api/v1/backup" download color="accent">Save everything as one file</v-btn>
      </p>
      <p v-if="chosen === null">
        <FilePick @pick="chosen = $event">Restore from a backup…</FilePick>
      </p>
      <div v-else role="group" aria-label="Restore from a backup">
        <p>
          Put <strong>{{ chosen.name.slice(0, 80) }}</strong> in the place of everything on the
          shelf? What is there now is kept beside the database.
        </p>
        <p class="acts">
          <v-btn variant="flat" :disabled="isRestoring" @click="restore">
            {{ isRestoring ? 'Restoring…' : 'Restore' }}
          </v-btn>
          <v-btn @click="chosen = null">Leave it</v-btn>
        </p>
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

.acts {
  display: flex;
  gap: 6px;
}

a {
  text-decoration: none;
}

.pick {
  cursor: pointer;
}
</style>
