<script setup lang="ts">
import { computed } from 'vue'
import { formatFigure } from '~/figures/format'
import { periodLabel } from '~~/core/calendar/labels'
import type { Series } from '~~/core/series/series'
import type { Revised, Revision } from '~~/intake/update/revision'

/** What a newer file would change in a series that is kept: nothing changes before it is accepted. */
const props = defineProps<{ revision: Revision; series: Series; drops: boolean }>()
const emit = defineEmits<{ drop: [drops: boolean] }>()
/** As many revised values as are shown one by one. */
const MOST = 24

function label({ period }: Revised): string {
  return periodLabel(period, props.series.calendar)
}

function range(changes: readonly Revised[]): string {
  const [first, last] = [changes[0]!, changes.at(-1)!]
  return changes.length === 1 ? label(first) : `${label(first)} to ${label(last)}`
}

const value = (of: number | null) => (of === null ? 'missing' : formatFigure(of))
const rows = computed(() => [...props.revision.revised, ...props.revision.vanished].slice(0, MOST))
const more = computed(
  () => props.revision.revised.length + props.revision.vanished.length - rows.value.length,
)
</script>

<template>
  <div class="revision small">
    <p>
      <template v-if="revision.added.length > 0">
        <strong>{{ revision.added.length }} new</strong>: {{ range(revision.added) }}.
      </template>
      <template v-if="revision.revised.length > 0">
        <strong>{{ revision.revised.length }} revised</strong>.
      </template>
      <template v-if="revision.vanished.length > 0">
        <strong class="vanished">{{ revision.vanished.length }} no longer there</strong>:
        {{ range(revision.vanished) }}; {{ drops ? 'they are dropped' : 'they stay as they are' }}.
      </template>
      <template
        v-if="revision.added.length + revision.revised.length + revision.vanished.length === 0"
      >
        The values are the same.
      </template>
    </p>
    <v-checkbox-btn
      v-if="revision.vanished.length > 0"
      :model-value="drops"
      :label="`drop the ${revision.vanished.length} that this file no longer has`"
      @update:model-value="emit('drop', Boolean($event))"
    />
    <v-table v-if="rows.length > 0">
      <thead>
        <tr>
          <th scope="col">period</th>
          <th scope="col">kept</th>
          <th scope="col">in this file</th>
          <th scope="col">difference</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="label(row)">
          <th scope="row">{{ label(row) }}</th>
          <td>{{ value(row.before) }}</td>
          <td>{{ row.now === null ? (drops ? 'dropped' : 'stays') : value(row.now) }}</td>
          <td>
            {{ row.before !== null && row.now !== null ? formatFigure(row.now - row.before) : '' }}
          </td>
        </tr>
      </tbody>
    </v-table>
    <p v-if="more > 0" class="muted">… and {{ more }} more.</p>
  </div>
</template>

<style scoped>
p {
  margin: 4px 0;
}

.v-table {
  --cell: 1px 12px 1px 0;
}

.v-table :deep(table) {
  width: auto;
}

th,
td {
  font-weight: 400;
  text-align: right !important;
}

th:first-child {
  text-align: left !important;
}

thead th {
  color: var(--muted);
}

.vanished {
  color: var(--danger);
}
</style>
