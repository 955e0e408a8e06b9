<script setup lang="ts">
import { ref, watch } from 'vue'
import { useBench } from './benchStore'

/** Name, unit, group and notes of the series, opened from its name. */
const bench = useBench()
const open = ref(false)
const name = ref('')
const unit = ref('')
const group = ref('')
const notes = ref('')
watch(open, (isOpen) => {
  if (!isOpen) return
  const { about } = bench.content
  name.value = about.name
  unit.value = about.unit
  group.value = about.group
  notes.value = about.notes
})

function keep() {
  if (name.value.trim() === '') return
  open.value = false
  void bench.changeAbout({
    name: name.value.trim(),
    unit: unit.value.trim(),
    group: group.value.trim(),
    notes: notes.value,
  })
}
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <h1 class="name">
        <button
          type="button"
          class="open"
          :title="`${bench.content.about.name.slice(0, 200)}: name, unit, group and notes`"
          v-bind="activator"
          :aria-owns="undefined"
        >
          <bdi>{{ bench.content.about.name }}</bdi>
        </button>
      </h1>
    </template>
    <form class="sheet" @submit.prevent="keep">
      <label>Name <input v-model="name" class="text-input" required maxlength="10000" /></label>
      <label>
        Unit <input v-model="unit" class="text-input" maxlength="200" placeholder="litres" />
      </label>
      <label>
        Group <input v-model="group" class="text-input" maxlength="200" placeholder="none" />
      </label>
      <label
        >Notes <textarea v-model="notes" class="text-input" rows="4" maxlength="20000" />
      </label>
      <button type="submit" class="solid-button">Keep</button>
    </form>
  </v-menu>
</template>

<style scoped>
.name {
  overflow: hidden;
  font-size: 15px;
}

.open {
  overflow: hidden;
  max-width: 100%;
  padding: 0;
  border: 0;
  border-bottom: 1px solid transparent;
  background: none;
  color: inherit;
  font: inherit;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}

.open:hover {
  border-bottom-color: var(--accent);
}

.sheet {
  display: grid;
  width: 340px;
  padding: 14px 16px;
  gap: 8px;
}

label {
  display: grid;
  align-items: start;
  grid-template-columns: 52px 1fr;
  gap: 8px;
}

.solid-button {
  justify-self: end;
}
</style>
