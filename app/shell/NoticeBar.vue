<script setup lang="ts">
import { computed } from 'vue'
import { useNotices } from './noticeStore'

/** In milliseconds: a way back stays long enough to be read, thought over and taken. */
const STAYS = 8000
const STAYS_WITH_A_WAY_BACK = 15_000

const notices = useNotices()
const open = computed({
  get: () => notices.current !== null,
  set: (value) => {
    if (!value) notices.current = null
  },
})

async function undo() {
  const notice = notices.current
  notices.current = null
  await notice?.undo?.()
}
</script>

<template>
  <!-- Made anew for each notice, so that none ends with the time of the one before it. -->
  <v-snackbar
    :key="notices.count"
    v-model="open"
    :timeout="notices.current?.undo ? STAYS_WITH_A_WAY_BACK : STAYS"
    role="status"
  >
    {{ notices.current?.text }}
    <NuxtLink
      v-if="notices.current?.link"
      :to="notices.current.link.to"
      class="undo"
      @click="open = false"
      >{{ notices.current.link.text }}</NuxtLink
    >
    <template v-if="notices.current?.undo" #actions>
      <v-btn variant="plain" class="undo" @click="undo">Undo</v-btn>
    </template>
  </v-snackbar>
</template>

<style scoped>
.undo {
  padding: 6px 12px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
</style>
