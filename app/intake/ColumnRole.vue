<script setup lang="ts">
import { computed } from 'vue'
import type { Reading } from '~~/intake/reading'
import { useIntake } from './intakeStore'
import { COLUMN_WORDS } from './readingWords'

/** What a column of the file holds, by its number from 1, and what it could hold instead. */
const props = defineProps<{ reading: Reading; column: number }>()
const intake = useIntake()

const ROLES = ['period', 'key', 'value', 'ignored'] as const

/** Where the layout says what every column holds, there is nothing to choose. */
const canChoose = computed(
  () => props.reading.shape.layout !== 'matrix' && props.reading.shape.layout !== 'across',
)
const role = computed(() => props.reading.shape.columnRoles[props.column - 1])
</script>

<template>
  <v-menu :disabled="!canChoose">
    <template #activator="{ props: activator }">
      <v-btn
        v-bind="activator"
        class="small role"
        :disabled="!canChoose"
        :aria-label="`What column ${column} holds`"
        :aria-owns="undefined"
      >
        {{ column }} {{ role ? COLUMN_WORDS[role] : '' }}
      </v-btn>
    </template>
    <v-list role="listbox" :aria-label="`What column ${column} holds`">
      <v-list-item
        v-for="other in ROLES"
        :key="other"
        role="option"
        :title="COLUMN_WORDS[other]"
        :active="role === other"
        @click="intake.answer(`role.${column}`, other)"
      />
    </v-list>
  </v-menu>
</template>
