<script setup lang="ts">
import { computed, ref } from 'vue'
import { completeMethod } from '~~/core/completeMethod'
import type { MethodChange } from '~~/core/finding'
import { changed } from '~~/core/method'
import { Refusal } from '~~/core/refusal'
import type { Field } from '~~/core/word'
import { useBench } from '../benchStore'
import NumberField from '../figures/NumberField.vue'

/** The figures and choices behind a word, each changed at once: what it does is seen behind this sheet. */
const props = defineProps<{ fields: readonly Field[]; usual: MethodChange }>()
defineEmits<{ done: [] }>()
const bench = useBench()
const common = computed(() => props.fields.filter(({ rare }) => !rare))
const rare = computed(() => props.fields.filter((field) => field.rare))

/** What was wished and is refused; the method stays as it is. */
const problem = ref('')

/** What a figure may be the core says, in its own words. */
function change(part: MethodChange) {
  try {
    completeMethod(changed(bench.method, part), bench.series!)
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    problem.value = error.because
    return
  }
  problem.value = ''
  void bench.changePart(part)
}

function set({ path }: Field, value: string | number | boolean) {
  const part = path.reduceRight<unknown>((inner, key) => ({ [key]: inner }), value)
  change(part as MethodChange)
}
</script>

<template>
  <form class="form" @submit.prevent="$emit('done')">
    <component
      :is="group.rare ? 'details' : 'div'"
      v-for="group in [
        { rare: false, fields: common },
        { rare: true, fields: rare },
      ].filter(({ fields: all }) => all.length > 0)"
      :key="String(group.rare)"
    >
      <summary v-if="group.rare">All parameters</summary>
      <p v-for="field in group.fields" :key="`${field.label} ${field.kind}`" class="field">
        {{ field.label }}
        <v-select
          v-if="field.kind === 'choice'"
          :aria-label="field.label"
          :items="field.options.map(({ value, text }) => ({ value, title: text }))"
          :model-value="field.value"
          @update:model-value="set(field, $event)"
        />
        <span v-else class="number">
          <NumberField
            :label="field.label"
            :model-value="field.value"
            :least="field.least"
            :most="field.most"
            :step="field.step"
            @update:model-value="set(field, $event)"
            @refused="problem = $event"
          />
          {{ field.unit }}
        </span>
      </p>
    </component>
    <p v-if="problem" class="refused" role="alert">{{ problem }}</p>
    <p class="ends">
      <v-btn color="accent" @click="change(usual)">usual values</v-btn>
      <v-btn variant="flat" type="submit">Done</v-btn>
    </p>
  </form>
</template>

<style scoped>
.form {
  min-width: 300px;
  max-width: 460px;
  padding: 12px 16px 14px;
}

.field {
  margin: 0;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  min-height: 36px;
}

.field .v-select {
  max-width: 250px;
}

.number {
  display: flex;
  align-items: center;
  gap: 6px;
}

summary {
  margin-top: 6px;
  cursor: pointer;
}

.refused {
  margin: 6px 0 0;
  color: var(--danger);
}

.ends {
  display: flex;
  justify-content: space-between;
  margin: 10px 0 0;
}
</style>
