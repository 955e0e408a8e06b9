<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import PageHead from '~/shell/PageHead.vue'
import ColumnMenu from '~/shelf/ColumnMenu.vue'
import { limitsSay } from '~/shelf/columns'
import BackupMenu from '~/shelf/BackupMenu.vue'
import RunBar from '~/shelf/RunBar.vue'
import SelectionBar from '~/shelf/SelectionBar.vue'
import ShelfRows from '~/shelf/ShelfRows.vue'
import { useShelf } from '~/shelf/shelfStore'
import { isTyping } from '~/shell/isTyping'

const shelf = useShelf()
/** Stands for all groups in the list; no group can be called so. */
const ALL = '\u0000'
const groups = computed(() => [
  { value: ALL, title: 'all groups' },
  ...shelf.groups.map((group) => ({ value: group, title: group || 'no group' })),
])
function chooseGroup(group: string) {
  shelf.group = group === ALL ? null : group
}

/** Why nothing is shown though there is something. */
const none = computed(() => {
  if (shelf.onlyToLookAt) return 'None to look at here.'
  if (shelf.limits.size > 0) return 'No series lies within these limits.'
  return `No series is called “${shelf.search}”.`
})

const searchField = ref<{ focus(): void } | null>(null)

function onKey(event: KeyboardEvent) {
  if (event.key !== '/' || isTyping(event)) return
  event.preventDefault()
  void nextTick(() => searchField.value?.focus())
}
onMounted(() => {
  addEventListener('keydown', onKey)
  void shelf.load()
})
onBeforeUnmount(() => removeEventListener('keydown', onKey))
</script>

<template>
  <PageHead>
    <template #actions>
      <v-btn to="/intake" color="accent">Bring in a file</v-btn>
      <v-btn to="/kept">Kept forecasts</v-btn>
      <BackupMenu />
      <v-btn to="/trash">Trash</v-btn>
    </template>
  </PageHead>
  <main class="list-page">
    <div class="title-line">
      <h1 class="serif">Series</h1>
      <v-text-field
        ref="searchField"
        v-model="shelf.search"
        type="search"
        class="search"
        placeholder="Search"
        aria-label="Search series by name, group, unit or note"
      />
      <v-select
        v-if="shelf.groups.length > 1 || shelf.group !== null"
        class="groups"
        aria-label="Group"
        :items="groups"
        :model-value="shelf.group ?? ALL"
        @update:model-value="chooseGroup"
      />
      <p v-if="shelf.state === 'ready'" class="muted count">
        {{ shelf.shown.length }}
        {{ shelf.shown.length === shelf.rows.length ? '' : `of ${shelf.rows.length}` }}
        {{ shelf.rows.length === 1 ? 'series' : 'series' }}
      </p>
      <v-btn
        v-for="[key, limits] in shelf.limits"
        :key="key"
        data-tip="Show it without this limit"
        @click="shelf.limit(key, { from: null, to: null })"
      >
        {{ limitsSay(key, limits) }} <span aria-hidden="true">&nbsp;×</span>
      </v-btn>
      <ColumnMenu v-if="shelf.rows.length > 0" class="columns" />
    </div>

    <p v-if="shelf.state === 'loading'" class="muted" role="status">Reading the shelf…</p>
    <div v-else-if="shelf.state === 'failed'" role="alert">
      <p>{{ shelf.failure }}</p>
      <v-btn variant="flat" @click="shelf.load()">Try again</v-btn>
    </div>
    <div v-else-if="shelf.rows.length === 0" class="empty">
      <p class="serif lead">Nothing here yet.</p>
      <p>
        Bring in a sales file as you have it: CSV, XLSX, ODS or JSON, in any usual layout. It stays
        on this machine.
      </p>
      <v-btn to="/intake" variant="flat">Bring in a file</v-btn>
    </div>
    <template v-else>
      <RunBar />
      <p v-if="shelf.shown.length === 0" class="muted" role="status">
        {{ none }}
        <v-btn color="accent" @click="shelf.showAll()">Show all</v-btn>
      </p>
      <SelectionBar v-if="shelf.selected.size > 0" />
      <div v-if="shelf.shown.length > 0" class="rows-frame"><ShelfRows /></div>
    </template>
  </main>
</template>

<style scoped>
.columns {
  margin-left: auto;
}

.groups {
  flex: 0 0 220px;
}

.empty .v-btn {
  display: inline-block;
  margin-top: 8px;
  text-decoration: none;
}
</style>
