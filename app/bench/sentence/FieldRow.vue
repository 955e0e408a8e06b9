<script setup lang="ts">
import { ref } from 'vue'
import type { Field } from '~~/core/word'
import NumberField from '../controls/NumberField.vue'

/** One field of a word, with its label before it and its unit behind. */
const props = defineProps<{ field: Field }>()
const emit = defineEmits<{
  set: [value: unknown]
  /** A figure that is often wanted was taken: nothing is left to ask. */
  taken: [value: unknown]
  refused: [because: string]
}>()

const other = ref('')

function toggle(field: Field & { kind: 'several' }, figure: number) {
  const others = field.value.filter((have) => have !== figure)
  const next = field.value.includes(figure) ? others : [...others, figure]
  emit(
    'set',
    [...next].sort((a, b) => a - b),
  )
}

/** Another figure than those offered. */
function add() {
  const { field } = props
  if (field.kind !== 'several' || other.value === '') return
  const figure = Number(other.value)
  if (!(figure > field.above && figure < field.below)) {
    emit('refused', `This must be more than ${field.above} and less than ${field.below}.`)
    return
  }
  other.value = ''
  if (!field.value.includes(figure)) toggle(field, figure)
}
</script>

<template>
  <div class="field">
    <template v-if="field.kind === 'several'">
      <span class="several">
        <v-checkbox-btn
          v-for="figure in field.offered"
          :key="figure"
          :model-value="field.value.includes(figure)"
          :label="`${figure}${field.unit}`"
          @update:model-value="toggle(field, figure)"
        />
      </span>
      <span class="figure">
        another
        <v-text-field
          v-model="other"
          class="other"
          type="number"
          step="any"
          :aria-label="`another of the ${field.label}`"
          @keydown.enter.prevent="add"
        />
        {{ field.unit }}
        <v-btn color="accent" @click="add">Add</v-btn>
      </span>
    </template>
    <template v-else>
      {{ field.label }}
      <v-select
        v-if="field.kind === 'choice'"
        :aria-label="field.label"
        :items="field.options.map(({ value, text }) => ({ value, title: text }))"
        :model-value="field.value"
        @update:model-value="emit('set', $event)"
      />
      <span v-else class="figure">
        <NumberField
          :label="field.label"
          :model-value="field.value"
          :least="field.least"
          :most="field.most"
          :step="field.step"
          :is-open="field.isOpen"
          @update:model-value="emit('set', $event)"
        />
        {{ field.unit }}
        <v-btn
          v-for="shortcut in field.shortcuts"
          :key="shortcut.text"
          color="accent"
          @click="emit('taken', shortcut.value)"
        >
          {{ shortcut.text }}
        </v-btn>
      </span>
    </template>
  </div>
</template>

<style scoped>
.field {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: center;
  justify-content: space-between;
  min-height: 36px;
}

.field .v-select {
  flex: none;
  width: auto;
  min-width: 130px;
  max-width: 250px;
}

.figure {
  display: flex;
  gap: 6px;
  align-items: center;
}

.several {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
}

.other {
  flex: none;
  width: 68px;
}
</style>
