<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { navigateTo } from '#app'
import { inReadersFigures } from '~/figures/format'
import { useShelf } from '~/shelf/shelfStore'
import { isTyping } from '~/shell/isTyping'
import { useBench } from './benchStore'

/** Why this series is among those to look at, and the way to the next of them. */
const bench = useBench()
const shelf = useShelf()
const isNoting = ref(false)
const note = ref('')

const at = computed(() => shelf.toLookAt.findIndex(({ id }) => id === bench.study?.seriesId))
const row = computed(() => shelf.rows.find(({ id }) => id === bench.study?.seriesId))
/** As the shelf has it; opened by its address, as it was opened. */
const worked = computed(() => (row.value ? row.value.worked : bench.study?.worked))
const reasons = computed(() => worked.value?.attention ?? [])
/** The one behind this; from one that is not among them, the first. */
const next = computed(() => shelf.toLookAt[at.value + 1] ?? null)

function goOn() {
  if (next.value) void navigateTo(`/study/${next.value.studyId}`)
}

/** Opened by its address it is not on the shelf as the page knows it, which is read then. */
async function noteSeen(isSeen: boolean) {
  if (!row.value) await shelf.load()
  await shelf.noteSeen(bench.study!.seriesId, isSeen, isSeen ? note.value.trim() : '')
}

/** The next is found before this one leaves the list. */
async function seen() {
  isNoting.value = false
  const behind = next.value
  await noteSeen(true)
  note.value = ''
  if (behind) await navigateTo(`/study/${behind.studyId}`)
}

function onKey(event: KeyboardEvent) {
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey
  if (event.key === 'e' && isPlain && !isTyping(event)) goOn()
}
onMounted(() => addEventListener('keydown', onKey))
onBeforeUnmount(() => removeEventListener('keydown', onKey))
</script>

<template>
  <section v-if="reasons.length > 0" class="look small" aria-label="To look at">
    <strong>{{ worked?.seen ? 'Seen' : 'To look at' }}:</strong>
    <span class="reasons">
      {{ inReadersFigures(reasons.map(({ text }) => text).join('; ')) }}
      <template v-if="worked?.seen?.note">({{ worked.seen.note.slice(0, 200) }})</template>
    </span>
    <form v-if="isNoting" class="noting" @submit.prevent="seen">
      <v-text-field
        v-model="note"
        autofocus
        maxlength="2000"
        placeholder="what you found, if anything"
        aria-label="Note on what was seen"
        @keydown.esc="isNoting = false"
      />
      <v-btn variant="flat" type="submit">Seen</v-btn>
    </form>
    <v-btn v-else-if="worked?.seen" @click="noteSeen(false)"> look at it again </v-btn>
    <v-btn v-else :data-tip="'It comes back when something new does'" @click="isNoting = true">
      seen…
    </v-btn>
    <span v-if="at >= 0" class="muted">{{ at + 1 }} of {{ shelf.toLookAt.length }}</span>
    <v-btn v-if="next" color="accent" :data-tip="'Key E'" @click="goOn">next to look at</v-btn>
    <NuxtLink v-else to="/">to the shelf</NuxtLink>
  </section>
</template>

<style scoped>
.look {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding: 4px 20px;
  border-bottom: 1px solid var(--rule);
}

.reasons {
  flex: 0 1 auto;
  color: var(--forecast-text);
}

.noting {
  display: flex;
  gap: 8px;
}

.noting .v-text-field {
  width: 260px;
}
</style>
