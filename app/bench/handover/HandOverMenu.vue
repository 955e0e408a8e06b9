<script setup lang="ts">
import { computed, ref } from 'vue'
import { useNotices } from '~/shell/noticeStore'
import { useBench } from '../study/benchStore'
import { copyTable, saveAsCsv, TABLES, type TableName } from './takeAway'

const bench = useBench()
const notices = useNotices()
const open = ref(false)
/** Whether figures leave with a decimal comma, as spreadsheets of some locales read them. */
const withComma = ref(false)
const decimal = computed(() => (withComma.value ? 'comma' : 'point'))
const NAMES = Object.keys(TABLES) as TableName[]

function save(name: TableName) {
  open.value = false
  saveAsCsv(bench.result!, name, decimal.value)
}

async function copy(name: TableName) {
  open.value = false
  try {
    await copyTable(bench.result!, name, decimal.value)
    notices.show({ text: `Copied ${TABLES[name].label}; paste it into a spreadsheet.` })
  } catch {
    notices.show({ text: 'The browser did not allow copying. Save as CSV instead.' })
  }
}
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false" location="bottom end">
    <template #activator="{ props: activator }">
      <v-btn :disabled="!bench.result" v-bind="activator" :aria-owns="undefined"> Hand over </v-btn>
    </template>
    <div class="choices" @keydown.enter.stop>
      <v-btn v-for="name in NAMES" :key="`save-${name}`" @click="save(name)">
        Save {{ TABLES[name].label }} as CSV
      </v-btn>
      <v-btn v-for="name in NAMES" :key="`copy-${name}`" @click="copy(name)">
        Copy {{ TABLES[name].label }} as a table
      </v-btn>
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
