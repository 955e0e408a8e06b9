<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatCount } from '~/figures/format'
import AskFirst from '~/shell/AskFirst.vue'
import { MOST_SERIES, type Length } from '~~/handover/report/choices'
import type { ExportKind } from '~~/shared/api/series'
import ApplyMethod from './ApplyMethod.vue'
import type { SaveAs } from './saveSeries'
import { useSaving } from './saving'
import { useShelf } from './shelfStore'

/** What can be done to the selected series. */
const shelf = useShelf()
const grouping = ref(false)
const group = ref('')

const KINDS: Record<ExportKind, string> = { csv: 'CSV', xlsx: 'XLSX', package: 'data package' }
const LENGTHS: Record<Length, string> = {
  page: 'A page for each',
  short: 'About three pages for each',
  full: 'Everything of each',
}

const { saving, save: saveAs } = useSaving()
function save(as: SaveAs) {
  const of = `${formatCount(shelf.selected.size)} series`
  const what = 'values' in as ? `${of} as ${KINDS[as.values]}` : `a report on ${of}`
  void saveAs([...shelf.selected], as, what)
}

/** As many at once are asked about first. */
const MANY = 20
const asking = ref(false)

/** How many of them have kept forecasts. */
const withKept = computed(
  () => shelf.rows.filter(({ id, kept }) => kept > 0 && shelf.selected.has(id)).length,
)

function discardAll() {
  void shelf.discard([...shelf.selected])
}

function remove() {
  if (shelf.selected.size >= MANY || withKept.value > 0) asking.value = true
  else discardAll()
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
      <v-combobox
        :model-value="group"
        class="group"
        :items="shelf.groups.filter((name) => name !== '')"
        maxlength="200"
        placeholder="name of the group, empty for none"
        aria-label="Group"
        autofocus
        menu-icon=""
        @update:search="group = $event ?? ''"
        @keydown.esc="grouping = false"
      />
      <v-btn color="accent" type="submit">Put there</v-btn>
    </form>
    <v-btn v-else color="accent" @click="grouping = true"> Put into a group </v-btn>
    <span v-if="saving" class="kinds" role="status">
      <v-progress-circular indeterminate size="16" width="2" aria-hidden="true" />
      Writing {{ saving.what }}…
      <v-btn @click="saving.stop.abort()"> Stop </v-btn>
    </span>
    <span v-else class="kinds">
      Save as
      <v-btn
        v-for="(label, kind) in KINDS"
        :key="kind"
        color="accent"
        @click="save({ values: kind })"
      >
        {{ label }}
      </v-btn>
      <v-menu location="bottom end">
        <template #activator="{ props: activator }">
          <v-btn
            color="accent"
            :disabled="shelf.selected.size > MOST_SERIES"
            :data-tip="
              shelf.selected.size > MOST_SERIES ? `a report takes ${MOST_SERIES} series` : undefined
            "
            v-bind="activator"
            :aria-owns="undefined"
          >
            Report
          </v-btn>
        </template>
        <v-list density="compact">
          <v-list-item
            v-for="(words, length) in LENGTHS"
            :key="length"
            :title="words"
            @click="save({ report: length })"
          />
        </v-list>
      </v-menu>
    </span>
    <ApplyMethod />
    <v-btn color="accent" @click="remove()"> Delete </v-btn>
    <v-btn @click="shelf.selectShown(false)"> Select none </v-btn>
    <AskFirst
      v-model="asking"
      :title="`Delete ${shelf.selected.size} series?`"
      action="Delete them"
      @confirm="discardAll()"
    >
      They go into the trash, with their adjustments and methods, and can be brought back.
      <template v-if="withKept > 0">
        Forecasts of {{ withKept }} of them are kept; they go with them.
      </template>
    </AskFirst>
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

form,
.kinds {
  display: flex;
  align-items: center;
  gap: 6px;
}

.group {
  width: 240px;
}
</style>
