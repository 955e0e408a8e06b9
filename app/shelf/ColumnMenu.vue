<script setup lang="ts">
import { COLUMN_KEYS, COLUMNS, type ColumnKey, type Limits } from './columns'
import { useShelf } from './shelfStore'

/** Which columns the shelf has, and between which figures of them what it shows lies. */
const shelf = useShelf()
const choices = COLUMN_KEYS.filter((key) => COLUMNS[key].canLeave)
const MEANS: Partial<Record<ColumnKey, string>> = {
  off: 'of its method, at up to 12 origins, beside the nearest of what needs none',
  ahead: 'the forecast on as long before',
  against: 'the newest value on what was forecast of it before it came',
}
const OPEN: Limits = { from: null, to: null }
const ENDS = ['from', 'to'] as const

/** A field that is emptied leaves its end open; what is no number yet waits. */
function limit(key: ColumnKey, end: (typeof ENDS)[number], typed: string) {
  const value = typed.trim() === '' ? null : Number(typed)
  if (value !== null && !Number.isFinite(value)) return
  shelf.limit(key, { ...(shelf.limits.get(key) ?? OPEN), [end]: value })
}
</script>

<template>
  <v-menu :close-on-content-click="false" location="bottom end">
    <template #activator="{ props: activator }">
      <v-btn v-bind="activator" :aria-owns="undefined">Columns</v-btn>
    </template>
    <v-list density="compact">
      <v-list-item v-for="key in choices" :key="key">
        <v-checkbox
          :model-value="shelf.columns.has(key)"
          :label="COLUMNS[key].label"
          hide-details
          density="compact"
          @update:model-value="shelf.chooseColumn(key, $event === true)"
        />
        <p v-if="MEANS[key]" class="muted small means">{{ MEANS[key] }}</p>
        <div v-if="COLUMNS[key].value" class="limits">
          <template v-for="end in ENDS" :key="end">
            <label class="muted small" :for="`limit-${key}-${end}`">{{ end }}</label>
            <v-text-field
              :id="`limit-${key}-${end}`"
              :model-value="shelf.limits.get(key)?.[end] ?? ''"
              :aria-label="`${COLUMNS[key].label}, shown ${end}`"
              type="number"
              step="any"
              hide-details
              @keydown="$event.key === 'Escape' || $event.stopPropagation()"
              @update:model-value="limit(key, end, String($event ?? ''))"
            />
          </template>
          <span class="muted small">{{ COLUMNS[key].unit ?? '' }}</span>
        </div>
      </v-list-item>
    </v-list>
  </v-menu>
</template>

<style scoped>
.means {
  max-width: 260px;
  margin: 0 0 4px 28px;
}

.limits {
  display: flex;
  gap: 6px;
  align-items: center;
  margin: 0 0 8px 28px;
}

.limits .v-text-field {
  flex: 0 0 84px;
}
</style>
