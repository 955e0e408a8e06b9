<script setup lang="ts">
import { computed, ref } from 'vue'
import { inReadersFigures } from '~/figures/format'
import FilePick from '~/shell/FilePick.vue'
import { useNotices } from '~/shell/noticeStore'
import { besideTable } from '~~/core/beside/besideTable'
import type { Result } from '~~/core/result'
import { forecastTable, ledgerTable } from '~~/core/ledger/table'
import { stageOf } from '../stage/stages'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { copyTable, saveAsCsv, type TableToTake } from '../../shell/takeAway'

const bench = useBench()
const ledger = useLedger()
const notices = useNotices()
const open = ref(false)
/** Whether figures leave with a decimal comma, as spreadsheets of some locales read them. */
const withComma = ref(false)
const decimal = computed(() => (withComma.value ? 'comma' : 'point'))
const tables = computed<TableToTake[]>(() => [
  ...(bench.result ? tablesOf(bench.result) : []),
  ...besideTables(),
])

function tablesOf(result: Result): TableToTake[] {
  return [
    { name: 'ledger', label: 'the ledger', make: () => ledgerTable(result) },
    { name: 'forecast', label: 'the forecast', make: () => forecastTable(result) },
  ]
}

/** The rows that were put beside the ledger at this stage: what was taken out, averages to compare. */
function besideTables(): TableToTake[] {
  const { shown } = bench
  const columns = ledger.inspected.flatMap(({ column }) => (column ? [column] : []))
  if (!shown || columns.length === 0) return []
  const { label } = stageOf(ledger.stage)
  return [
    {
      name: `rows added at ${label}`,
      label: `the rows added at ${label}`,
      make: () => besideTable(shown, columns),
    },
  ]
}

function save(table: TableToTake) {
  open.value = false
  saveAsCsv(table, bench.series!.name, decimal.value)
}

async function saveOwnMethod() {
  open.value = false
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

async function copy(table: TableToTake) {
  open.value = false
  try {
    await copyTable(table, decimal.value)
    notices.show({ text: `Copied ${table.label}; paste it into a spreadsheet.` })
  } catch {
    notices.show({ text: 'The browser did not allow copying. Save as CSV instead.' })
  }
}
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false" location="bottom end">
    <template #activator="{ props: activator }">
      <v-btn :disabled="tables.length === 0" v-bind="activator" :aria-owns="undefined">
        Hand over
      </v-btn>
    </template>
    <div class="choices" @keydown.enter.stop>
      <v-btn v-for="table in tables" :key="`save-${table.name}`" @click="save(table)">
        Save {{ table.label }} as CSV
      </v-btn>
      <v-btn v-for="table in tables" :key="`copy-${table.name}`" @click="copy(table)">
        Copy {{ table.label }} as a table
      </v-btn>
      <v-btn @click="saveOwnMethod()">Save the method as a file</v-btn>
      <FilePick v-if="!bench.frozen" accept=".json,application/json" @pick="openMethod">
        Open a method from a file
      </FilePick>
      <v-checkbox-btn v-model="withComma" label="figures with a decimal comma" />
    </div>
  </v-menu>
</template>

<style scoped>
.choices {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 10px 12px;
}
</style>
