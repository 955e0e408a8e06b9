<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { axisOf } from '~~/core/calendar/axis'
import { parsePeriod } from '~~/core/calendar/codes'
import { nounOf } from '~~/core/series/noun'
import { headingOf } from '~~/handover/heading'
import { tableAsCsv } from '~~/handover/tableText'
import type { Vintage } from '~~/shared/api/series'
import type { Quantity } from '~~/core/series/quantity'
import { QUANTITY_CHOICES } from '~/intake/quantityChoices'
import { useBench } from './benchStore'
import { fetchVintages } from './cameIn'
import MiddleCut from '~/shell/MiddleCut.vue'
import { formatDay } from '~/figures/format'
import { useNotices } from '~/shell/noticeStore'
import { fileName, saveText } from '../../shell/takeAway'

/** Name, unit, noun, group and notes of the series, opened from its name. */
const bench = useBench()
const notices = useNotices()
const open = ref(false)
const name = ref('')
const unit = ref('')
const noun = ref('')
const quantity = ref<Quantity>('flow')
const group = ref('')
const notes = ref('')
/** The values as they came in each time, the newest first; null while they are fetched. */
const vintages = shallowRef<readonly Vintage[] | null>(null)
watch(open, (isOpen) => {
  if (!isOpen) return
  vintages.value = null
  void loadVintages()
  const { about } = bench.content
  name.value = about.name
  unit.value = about.unit
  noun.value = about.noun
  quantity.value = about.quantity
  group.value = about.group
  notes.value = about.notes
})

async function loadVintages() {
  vintages.value = await fetchVintages(bench.study!.seriesId)
}

/** The values of a vintage as they came in, for a spreadsheet. */
function saveVintage(vintage: Vintage) {
  const { calendar } = bench.series!
  const { codeAt } = axisOf({ calendar, start: parsePeriod(vintage.start, calendar)! })
  const { name, unit } = bench.content.about
  saveText(
    tableAsCsv({
      header: ['period', headingOf(name, unit)],
      rows: vintage.values.map((value, i) => [codeAt(i + 1), value]),
    }),
    `${fileName(name)}, as of ${vintage.createdAt.slice(0, 10)}.csv`,
  )
}

/** Makes values from before those of the series again; undo takes it back. */
async function bringBack({ id, createdAt }: Vintage) {
  open.value = false
  await bench.bringBack(id)
  notices.show({
    text: `The values of ${formatDay(createdAt)} are back.`,
    undo: () => bench.undo(),
  })
}

/** A series without a name could not be found again. */
const nameProblem = computed(() =>
  name.value.trim() === '' ? 'A series needs a name, by which it stands on the shelf.' : '',
)

function keep() {
  if (nameProblem.value !== '') return
  open.value = false
  void bench.changeAbout({
    name: name.value.trim(),
    unit: unit.value.trim(),
    noun: noun.value.trim(),
    quantity: quantity.value,
    group: group.value.trim(),
    notes: notes.value,
  })
}
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <h1 class="name">
        <v-btn
          :data-tip="'Name, unit, group and notes'"
          variant="plain"
          class="open"
          v-bind="activator"
          :aria-owns="undefined"
        >
          <MiddleCut :text="bench.content.about.name" />
        </v-btn>
      </h1>
    </template>
    <form class="sheet" @submit.prevent="keep" @keydown.enter.stop>
      <label>
        Name
        <v-text-field
          v-model="name"
          required
          maxlength="10000"
          :error="nameProblem !== ''"
          :aria-invalid="nameProblem !== ''"
        />
      </label>
      <p v-if="nameProblem" class="problem small" role="alert">{{ nameProblem }}</p>
      <label> Unit <v-text-field v-model="unit" maxlength="200" placeholder="litres" /> </label>
      <label>
        What the values are
        <v-text-field
          v-model="noun"
          maxlength="60"
          :placeholder="nounOf({ name })"
          aria-label="What the values are"
        />
      </label>
      <label>
        Over time
        <v-select
          v-model="quantity"
          :items="QUANTITY_CHOICES"
          aria-label="What values do over time"
        />
      </label>
      <label> Group <v-text-field v-model="group" maxlength="200" placeholder="none" /> </label>
      <label>Notes <v-textarea v-model="notes" rows="4" maxlength="20000" /> </label>
      <v-btn variant="flat" type="submit">Done</v-btn>
      <section v-if="vintages" class="vintages small">
        <h2>As it came in</h2>
        <ul>
          <li v-for="vintage in vintages" :key="vintage.id">
            {{ formatDay(vintage.createdAt) }}: {{ vintage.values.length }}
            periods from
            <a
              v-if="vintage.fileId"
              :data-tip="`Save ${vintage.source.file.slice(0, 200)} as it was brought in`"
              :href="`/api/v1/files/${vintage.fileId}`"
              >{{ vintage.source.file.slice(0, 60) }}</a><template v-else>{{
              vintage.source.file.slice(0, 60)
            }}</template>
            <template v-if="vintage.source.carriedOver"
              >, {{ vintage.source.carriedOver }} of them carried over</template
            >
            <v-btn color="accent" @click="saveVintage(vintage)"> save as CSV </v-btn>
            <span v-if="vintage.id === bench.content.vintageId" class="muted"> in use</span>
            <v-btn v-else color="accent" @click="bringBack(vintage)"> bring back </v-btn>
          </li>
        </ul>
      </section>
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

.vintages ul {
  overflow-y: auto;
  max-height: 160px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

h2 {
  font-size: 13px;
}
</style>
