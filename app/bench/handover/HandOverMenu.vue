<script setup lang="ts">
import { ref } from 'vue'
import { useNotices } from '~/shell/noticeStore'
import { useBench } from '../study/benchStore'
import { copyTable, saveAsCsv, TABLES, type TableName } from './takeAway'

const bench = useBench()
const notices = useNotices()
const open = ref(false)
const NAMES = Object.keys(TABLES) as TableName[]

function save(name: TableName) {
  open.value = false
  saveAsCsv(bench.result!, name)
}

async function copy(name: TableName) {
  open.value = false
  try {
    await copyTable(bench.result!, name)
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
    <ul class="choices">
      <li v-for="name in NAMES" :key="`save-${name}`">
        <v-btn @click="save(name)"> Save {{ TABLES[name].label }} as CSV </v-btn>
      </li>
      <li v-for="name in NAMES" :key="`copy-${name}`">
        <v-btn @click="copy(name)"> Copy {{ TABLES[name].label }} as a table </v-btn>
      </li>
    </ul>
  </v-menu>
</template>

<style scoped>
.choices {
  margin: 0;
  padding: 6px;
  list-style: none;
}

.choices .plain-button {
  width: 100%;
  padding: 6px 10px;
  text-align: left;
}
</style>
