<script setup lang="ts">
import { ref } from 'vue'
import FilePick from '~/shell/FilePick.vue'
import { useIntake } from './intakeStore'

const intake = useIntake()
const over = ref(false)
const pasted = ref('')

function onDrop(event: DragEvent) {
  over.value = false
  const file = event.dataTransfer?.files[0]
  if (file) void intake.readFile(file)
}
</script>

<template>
  <div
    class="place"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="onDrop"
  >
    <p class="lead serif">Drop a sales file here</p>
    <p>
      or
      <FilePick
        accept=".csv,.tsv,.txt,.json,.jsonl,.ndjson,.xlsx,.xlsm,.ods,text/csv,text/plain"
        @pick="intake.readFile($event)"
        >pick one</FilePick
      >
      from this machine, or paste cells from a spreadsheet.
    </p>
    <p v-if="intake.failure" role="alert" class="failure">{{ intake.failure }}</p>
    <v-textarea
      v-model="pasted"
      class="paste"
      rows="5"
      aria-label="Paste rows here"
      placeholder="month,Sales (litres)&#10;2024-01,20051&#10;2024-02,21977"
      spellcheck="false"
    />
    <p class="read">
      <v-btn variant="flat" :disabled="pasted.trim() === ''" @click="intake.readText(pasted)">
        Read these rows
      </v-btn>
    </p>
    <p class="muted hint">
      CSV or other delimited text, XLSX, ODS or JSON, as your till, ledger or colleague wrote it:
      periods in a column, across, or as a matrix of years and months; days, weeks and hours are
      gathered into months, or kept as they are. What can be read in two ways is asked; nothing is
      dropped or made up without a word. A unit in brackets, as in “Exterior paint (litres)”, is
      taken over.
    </p>
  </div>
</template>

<style scoped>
.place {
  max-width: 720px;
  margin: 24px auto;
  padding: 40px 48px 32px;
  border: 1px dashed var(--rule-strong);
  border-radius: 6px;
  background: var(--sheet);
  text-align: center;
}

.place.over {
  border-color: var(--accent);
  background: var(--band);
}

.lead {
  margin: 0 0 6px;
  font-size: 22px;
}

.pick {
  color: var(--accent);
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}

.pick:focus-within {
  outline: 2px solid var(--cursor);
}

.read {
  margin: 8px 0 0;
}

.failure {
  color: var(--danger);
}

/* The library lets the first line fade into a label that this field does not have. */
.paste :deep(.v-field__input) {
  mask-image: none;
}

.paste {
  width: 100%;
  box-sizing: border-box;
  margin-top: 12px;
  font-family: ui-monospace, monospace;
  font-size: 12px;
}

.hint {
  margin-top: 20px;
  text-align: left;
}
</style>
