<script setup lang="ts">
import { onBeforeUnmount, onMounted } from 'vue'
import { useHelp } from './helpStore'
import { isTyping } from './isTyping'

const SHORTCUTS: readonly (readonly [keys: string, does: string])[] = [
  ['← →', 'move the cursor by a period'],
  ['Shift ← →', 'move it by a year'],
  ['↑ ↓', 'move it to another row of the ledger'],
  ['Home, End', 'first and last period'],
  ['1 – 7', 'choose a stage of the path'],
  ['N, Shift N', 'the next thing to look at over all stages, or the one before'],
  ['S, J, D, L, W', 'to the sentence, the path, the strips, the ledger, the working'],
  ['F', 'fold by year, and unfold'],
  ['+ −', 'zoom the time axis in and out'],
  [', .', 'move the window by a year'],
  ['0', 'show the whole series'],
  ['Backspace', 'back to the window that the stage is first seen in'],
  ['M', 'mark a stretch from the cursor on; the arrows draw it out'],
  ['Shift drag', 'mark a stretch on a strip'],
  ['Wheel, drag', 'zoom and move the time axis on a strip'],
  ['A', 'all steps in the ledger, or those of the stage'],
  ['T', 'contest of methods, and back'],
  ['[ ]', 'at Check: the origin before, and the next'],
  ['B', 'bend the forecast by hand at the selected period'],
  ['P', 'pin the present result, or unpin it'],
  ['C', 'compare methods side by side, and back'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['E', 'the next series to look at'],
  ['/', 'search the shelf'],
  ['?', 'this list'],
]

const help = useHelp()

function onKey(event: KeyboardEvent) {
  if (event.key === '?' && !isTyping(event)) {
    help.shortcuts = !help.shortcuts
    event.preventDefault()
  }
}
onMounted(() => addEventListener('keydown', onKey))
onBeforeUnmount(() => removeEventListener('keydown', onKey))
</script>

<template>
  <v-dialog v-model="help.shortcuts" max-width="440" aria-labelledby="shortcuts-title">
    <h2 id="shortcuts-title" class="serif">Shortcuts</h2>
    <dl class="list">
      <template v-for="[keys, does] in SHORTCUTS" :key="keys">
        <dt>{{ keys }}</dt>
        <dd>{{ does }}</dd>
      </template>
    </dl>
    <v-btn color="accent" @click="help.shortcuts = false">Close</v-btn>
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
