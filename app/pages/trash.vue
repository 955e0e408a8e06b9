<script setup lang="ts">
import { onMounted, shallowRef, ref } from 'vue'
import { api } from '~/api/client'
import { formatMoment } from '~/figures/format'
import AskFirst from '~/shell/AskFirst.vue'
import { useNotices } from '~/shell/noticeStore'
import PageHead from '~/shell/PageHead.vue'
import type { TrashedSeries } from '~~/shared/api/series'

/** What was deleted, to be brought back. */
const series = shallowRef<readonly TrashedSeries[] | null>(null)
const failure = ref('')

async function load() {
  try {
    series.value = (await api<{ series: TrashedSeries[] }>('/series/trash')).series
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

/** Deletes everything that lies here; nothing brings it back but a backup. */
const asking = ref(false)
async function erase() {
  const ids = series.value!.map(({ id }) => id)
  try {
    for (let at = 0; at < ids.length; at += AT_ONCE) {
      const some = ids.slice(at, at + AT_ONCE)
      await api('/series/acts', { method: 'POST', body: { act: 'erase', ids: some } })
    }
    useNotices().show({ text: `${ids.length} series were deleted for good.` })
  } catch (error) {
    useNotices().show({ text: (error as Error).message })
  }
  await load()
}

/** Series of one request. */
const AT_ONCE = 5000

async function restore(ids: readonly string[]) {
  try {
    await api('/series/acts', { method: 'POST', body: { act: 'restore', ids } })
    useNotices().show({ text: `${ids.length} series back on the shelf.` })
  } catch (error) {
    useNotices().show({ text: (error as Error).message })
  }
  await load()
}
</script>

<template>
  <PageHead>
    <template #actions><v-btn to="/">To the shelf</v-btn></template>
  </PageHead>
  <main class="trash">
    <h1 class="serif">Trash</h1>
    <p v-if="failure" role="alert">{{ failure }}</p>
    <p v-else-if="series === null" class="muted" role="status">Looking…</p>
    <p v-else-if="series.length === 0" class="muted">Nothing was deleted.</p>
    <template v-else>
      <div class="all">
        <p>Deleted series keep their values, adjustments and method here.</p>
        <v-btn color="accent" @click="restore(series.map(({ id }) => id))">
          Bring all {{ series.length }} back
        </v-btn>
        <v-btn @click="asking = true">Delete all for good</v-btn>
      </div>
      <ul>
        <li v-for="row in series.slice(0, 500)" :key="row.id">
          <div class="about">
            <div class="name" dir="auto">{{ row.name }}</div>
            <div class="muted small name">
              <template v-if="row.group">{{ row.group }} · </template>deleted
              {{ formatMoment(row.deletedAt) }}
            </div>
          </div>
          <v-btn
            color="accent"
            :aria-label="`Bring ${row.name.slice(0, 200)} back`"
            @click="restore([row.id])"
          >
            Bring back
          </v-btn>
        </li>
      </ul>
      <AskFirst
        v-model="asking"
        :title="`Delete ${series.length} series for good?`"
        action="Delete for good"
        @confirm="erase()"
      >
        Their values, adjustments, methods, kept forecasts and files are gone then. Only a backup
        brings them back.
      </AskFirst>
      <p v-if="series.length > 500" class="muted">… and {{ series.length - 500 }} more.</p>
    </template>
  </main>
</template>

<style scoped>
.trash {
  width: 100%;
  max-width: 860px;
  box-sizing: border-box;
  margin: 0 auto;
  padding: 32px 24px 64px;
}

.all {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.all p {
  flex: 1 1 300px;
}

ul {
  margin-top: 8px;
  padding: 0;
  border-top: 1px solid var(--rule);
  list-style: none;
}

li {
  display: grid;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  gap: 14px;
  grid-template-columns: minmax(0, 1fr) auto;
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

a {
  text-decoration: none;
}
</style>
