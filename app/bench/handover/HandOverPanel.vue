<script setup lang="ts">
import { inReadersFigures } from '~/figures/format'
import FilePick from '~/shell/FilePick.vue'
import { useNotices } from '~/shell/noticeStore'
import { useBench } from '../study/benchStore'
import { useHandOver } from './handOverStore'

/** What leaves the Bench: a table as it is seen, the workbook that calculates, the method. */
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ report: []; picture: [] }>()
const bench = useBench()
const handOver = useHandOver()
const notices = useNotices()

/** Does something and closes the menu behind it. */
function and(act: () => unknown) {
  open.value = false
  void act()
}

async function saveOwnMethod() {
  const { saveMethod } = await import('~/shell/methodFile')
  saveMethod(bench.method, bench.series!.name)
}

/** Takes over the method of a file; undo takes it back. */
async function openMethod(file: File) {
  open.value = false
  try {
    const { readMethod } = await import('~/shell/methodFile')
    await bench.change(await readMethod(file))
    notices.show({ text: `The method of ${file.name} was taken over.`, undo: () => bench.undo() })
  } catch (error) {
    notices.show({ text: inReadersFigures((error as Error).message) })
  }
}
</script>

<template>
  <div class="hand-over" @keydown.enter.stop>
    <section aria-labelledby="hand-over-table">
      <h2 id="hand-over-table">A table</h2>
      <v-radio-group v-model="handOver.chosen" hide-details aria-labelledby="hand-over-table">
        <v-radio
          v-for="(table, i) in handOver.tables"
          :key="table.name"
          :value="i"
          :label="table.label"
        />
      </v-radio-group>
      <div class="how">
        <v-checkbox-btn v-model="handOver.hasHeading" label="series, method and date above it" />
        <v-checkbox-btn v-model="handOver.isRounded" label="figures rounded as they are shown" />
        <v-checkbox-btn v-model="handOver.hasComma" label="decimal comma, in copy and CSV" />
      </div>
      <div v-if="handOver.table" class="acts">
        <v-btn :disabled="bench.isEarly" @click="and(() => handOver.copy(handOver.table!))">
          Copy
        </v-btn>
        <v-btn :disabled="bench.isEarly" @click="and(() => handOver.saveCsv(handOver.table!))">
          Save as CSV
        </v-btn>
        <v-btn :disabled="bench.isEarly" @click="and(() => handOver.saveSheet(handOver.table!))">
          Save as XLSX
        </v-btn>
      </div>
    </section>
    <section v-if="bench.result" aria-labelledby="hand-over-workbook">
      <h2 id="hand-over-workbook">A workbook that calculates</h2>
      <p class="muted small">
        From value to forecast in live formulas: change a value, a weight or what is left out, and
        the forecast follows.
      </p>
      <template v-if="handOver.state === 'running'">
        <v-progress-linear
          :model-value="
            handOver.progress ? (100 * handOver.progress.done) / handOver.progress.of : undefined
          "
          :indeterminate="!handOver.progress"
          aria-label="Writing the workbook"
        />
        <div class="acts"><v-btn @click="handOver.stop()">Stop</v-btn></div>
      </template>
      <template v-else>
        <p v-if="handOver.state === 'failed' || handOver.state === 'refused'" role="alert">
          It could not be written: {{ handOver.because }}
        </p>
        <div class="acts">
          <v-btn :disabled="bench.isEarly" @click="handOver.saveWorkbook()">
            Save the workbook
          </v-btn>
        </div>
      </template>
    </section>
    <section v-if="bench.result" aria-labelledby="hand-over-report">
      <h2 id="hand-over-report">A report that answers</h2>
      <p class="muted small">
        What will come and how far to trust it, in words, pictures and tables; every figure of it
        shows how it came about.
      </p>
      <div class="acts">
        <v-btn @click="and(() => emit('report'))">Write the report…</v-btn>
      </div>
    </section>
    <section v-if="bench.shown" aria-labelledby="hand-over-picture">
      <h2 id="hand-over-picture">A picture</h2>
      <div class="acts">
        <v-btn @click="and(() => emit('picture'))">Take a picture…</v-btn>
      </div>
    </section>
    <section aria-labelledby="hand-over-method">
      <h2 id="hand-over-method">The method</h2>
      <div class="acts">
        <v-btn @click="and(saveOwnMethod)">Save the method as a file</v-btn>
        <FilePick v-if="!bench.frozen" accept=".json,application/json" @pick="openMethod">
          Open a method from a file
        </FilePick>
      </div>
    </section>
  </div>
</template>

<style scoped>
.hand-over {
  display: grid;
  gap: 14px;
  width: 380px;
  max-width: calc(100vw - 24px);
  padding: 14px 16px;
}

h2 {
  margin: 0 0 4px;
  font-size: 0.95rem;
}

p {
  margin: 0 0 8px;
}

.how {
  margin: 6px 0 8px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
