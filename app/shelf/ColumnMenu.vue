<script setup lang="ts">
import { COLUMN_KEYS, COLUMNS } from './columns'
import { useShelf } from './shelfStore'

/** Which columns the shelf has. */
const shelf = useShelf()
const choices = COLUMN_KEYS.filter((key) => COLUMNS[key].canLeave)
const MEANS: Partial<Record<(typeof choices)[number], string>> = {
  off: 'of its method, at up to 12 origins, beside the nearest of what needs none',
  ahead: 'the forecast on as long before',
  against: 'the newest value on what was forecast of it before it came',
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
      </v-list-item>
    </v-list>
  </v-menu>
</template>

<style scoped>
.means {
  max-width: 260px;
  margin: 0 0 4px 28px;
}
</style>
