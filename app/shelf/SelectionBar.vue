<script setup lang="ts">
import { ref } from 'vue'
import { useNotices } from '~/shell/noticeStore'
import type { ExportKind } from '~~/shared/api/series'
import { saveSeries } from './saveSeries'
import { useShelf } from './shelfStore'

/** What can be done to the selected series. */
const shelf = useShelf()
const grouping = ref(false)
const group = ref('')

const KINDS: Record<ExportKind, string> = { csv: 'CSV', xlsx: 'XLSX', package: 'data package' }
const isSaving = ref(false)

async function save(kind: ExportKind) {
  isSaving.value = true
  try {
    await saveSeries([...shelf.selected], kind)
  } catch (error) {
    useNotices().show({ text: (error as Error).message })
  } finally {
    isSaving.value = false
  }
}

function putIntoGroup() {
  grouping.value = false
  void shelf.putIntoGroup([...shelf.selected], group.value.trim())
}
</script>

<template>
  <div class="selection" role="toolbar" aria-label="Selected series">
    <strong>{{ shelf.selected.size }} selected</strong>
    <form v-if="grouping" @submit.prevent="putIntoGroup">
      <input
        v-model="group"
        class="text-input"
        list="groups"
        maxlength="200"
        placeholder="name of the group, empty for none"
        aria-label="Group"
        autofocus
        @keydown.esc="grouping = false"
      />
      <datalist id="groups">
        <option v-for="name in shelf.groups" :key="name" :value="name" />
      </datalist>
      <button type="submit" class="plain-button strong">Put there</button>
    </form>
    <button v-else type="button" class="plain-button strong" @click="grouping = true">
      Put into a group
    </button>
    <span>
      Save as
      <button
        v-for="(label, kind) in KINDS"
        :key="kind"
        type="button"
        class="plain-button strong"
        :disabled="isSaving"
        @click="save(kind)"
      >
        {{ label }}
      </button>
    </span>
    <button type="button" class="plain-button strong" @click="shelf.discard([...shelf.selected])">
      Delete
    </button>
    <button type="button" class="plain-button" @click="shelf.selectShown(false)">
      Select none
    </button>
  </div>
</template>

<style scoped>
.selection {
  position: sticky;
  z-index: 2;
  top: 0;
  display: flex;
  align-items: center;
  padding: 6px 10px;
  background: var(--band);
  gap: 14px;
}

form {
  display: flex;
  gap: 6px;
}

.text-input {
  width: 240px;
}
</style>
