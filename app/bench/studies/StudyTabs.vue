<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { navigateTo } from '#app'
import { useBench } from '../study/benchStore'
import { useStudies, type NamedTab } from './studiesStore'

/** The studies of the series as tabs of one line: the present one, those beside it, and one more. */
const bench = useBench()
const studies = useStudies()
const present = computed(() => studies.tabs.find(({ id }) => id === bench.study?.id))
const open = ref(false)
const name = ref('')
watch(open, () => (name.value = present.value?.name ?? ''))

async function add() {
  const id = await studies.add(bench.method)
  if (id) await navigateTo(`/study/${id}`)
}

async function rename() {
  open.value = false
  await studies.rename(present.value!.id, name.value.trim())
}

async function remove({ id }: NamedTab) {
  open.value = false
  const first = studies.tabs.find(({ opensFirst }) => opensFirst)!
  await navigateTo(`/study/${first.id}`)
  await studies.remove(id)
}
</script>

<template>
  <nav class="tabs small" aria-label="Studies of this series">
    <template v-if="studies.tabs.length > 1">
      <template v-for="tab in studies.tabs" :key="tab.id">
        <v-menu v-if="tab.id === present?.id" v-model="open" :close-on-content-click="false">
          <template #activator="{ props: activator }">
            <v-btn
              class="tab present"
              variant="plain"
              aria-current="page"
              data-tip="Name of this study"
              v-bind="activator"
              :aria-owns="undefined"
            >
              {{ tab.title }}
            </v-btn>
          </template>
          <form class="sheet" @submit.prevent="rename()" @keydown.enter.stop>
            <v-text-field
              v-model="name"
              maxlength="80"
              aria-label="Name of this study"
              :placeholder="tab.name === '' ? tab.title : 'by what it does'"
            />
            <p class="acts">
              <v-btn v-if="!tab.opensFirst" @click="remove(tab)">Delete this study</v-btn>
              <span v-else class="muted">It opens with the series.</span>
              <v-btn type="submit" variant="flat">Rename</v-btn>
            </p>
          </form>
        </v-menu>
        <span v-else class="other">
          <NuxtLink class="tab" :to="`/study/${tab.id}`">{{ tab.title }}</NuxtLink>
          <v-btn
            class="beside"
            variant="plain"
            :aria-pressed="studies.beside?.id === tab.id"
            :aria-label="`show ${tab.title} beside`"
            @click="studies.lay(tab.id)"
          >
            {{ studies.beside?.id === tab.id ? 'beside' : 'lay beside' }}
          </v-btn>
        </span>
      </template>
    </template>
    <v-btn
      class="add"
      variant="plain"
      data-tip="Another method on the same series; both stay alive"
      :disabled="!bench.result"
      @click="add()"
    >
      + study
    </v-btn>
    <span v-if="studies.failure" class="failure" role="alert">{{ studies.failure }}</span>
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 12px;
  min-width: 0;
}

.tab {
  overflow: hidden;
  max-width: 220px;
  padding: 0;
  border: 0;
  border-bottom: 2px solid transparent;
  background: none;
  color: var(--muted);
  font: inherit;
  text-decoration: none;
  text-overflow: ellipsis;
  white-space: nowrap;
}

/* A long name is cut, not broken into lines. */
.tab :deep(.v-btn__content) {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.present {
  border-bottom-color: var(--accent);
  color: var(--ink);
  font-weight: 600;
}

.other {
  display: inline-flex;
  align-items: baseline;
  gap: 5px;
  min-width: 0;
}

.beside,
.add {
  padding: 0;
  border: 0;
  background: none;
  color: var(--accent);
  font: inherit;
}

.beside[aria-pressed='true'] {
  font-weight: 600;
}

.sheet {
  display: grid;
  width: 300px;
  padding: 12px 14px;
  gap: 8px;
}

.acts {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin: 0;
  gap: 8px;
}

.failure {
  color: var(--danger);
}
</style>
