<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { isTyping } from './isTyping'

const SHORTCUTS: readonly (readonly [keys: string, does: string])[] = [
  ['← →', 'move the cursor by a period'],
  ['Shift ← →', 'move it by a year'],
  ['↑ ↓', 'move it to another row of the ledger'],
  ['Home, End', 'first and last period'],
  ['1 – 7', 'choose a stage of the path'],
  ['F', 'fold by year, and unfold'],
  ['+ −', 'zoom the time axis in and out'],
  ['0', 'show the whole series'],
  ['A', 'all steps in the ledger, or those of the stage'],
  ['P', 'pin the present result, or unpin it'],
  ['C', 'compare methods side by side, and back'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['/', 'search the shelf'],
  ['?', 'this list'],
]

const open = ref(false)

function onKey(event: KeyboardEvent) {
  if (event.key === '?' && !isTyping(event)) {
    open.value = !open.value
    event.preventDefault()
  }
}
onMounted(() => addEventListener('keydown', onKey))
onBeforeUnmount(() => removeEventListener('keydown', onKey))
</script>

<template>
  <v-dialog v-model="open" max-width="440" aria-labelledby="shortcuts-title">
    <h2 id="shortcuts-title" class="serif">Shortcuts</h2>
    <dl class="list">
      <template v-for="[keys, does] in SHORTCUTS" :key="keys">
        <dt>{{ keys }}</dt>
        <dd>{{ does }}</dd>
      </template>
    </dl>
    <v-btn color="accent" @click="open = false">Close</v-btn>
  </v-dialog>
</template>

<style scoped>
.list {
  display: grid;
  grid-template-columns: 120px 1fr;
  gap: 6px 12px;
  margin: 16px 0;
}

dt {
  font-weight: 600;
}

dd {
  margin: 0;
}
</style>
