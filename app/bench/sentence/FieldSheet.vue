<script setup lang="ts">
import { computed, ref } from 'vue'
import { completeMethod } from '~~/core/completeMethod'
import type { MethodChange } from '~~/core/finding'
import { changed } from '~~/core/method'
import { Refusal } from '~~/core/refusal'
import type { Field } from '~~/core/word'
import { useBench } from '../benchStore'

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

function setNumber(field: Field & { kind: 'number' }, event: Event) {
  const input = event.target as HTMLInputElement
  const value = Number(input.value)
  const { least, most } = field
  if (input.value !== '' && Number.isInteger(value) && value >= least && value <= most) {
    set(field, value)
    return
  }
  const range = most === Infinity ? `of at least ${least}` : `from ${least} to ${most}`
  problem.value = `This must be a whole number ${range}.`
}

function setChoice(field: Field & { kind: 'choice' }, event: Event) {
  set(field, field.options[(event.target as HTMLSelectElement).selectedIndex]!.value)
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
      <label v-for="field in group.fields" :key="`${field.label} ${field.kind}`">
        {{ field.label }}
        <select
          v-if="field.kind === 'choice'"
          class="text-input"
          :value="String(field.value)"
          @change="setChoice(field, $event)"
        >
          <option v-for="one in field.options" :key="one.text" :value="String(one.value)">
            {{ one.text }}
          </option>
        </select>
        <span v-else class="number">
          <input
            type="number"
            class="text-input"
            :min="field.least"
            :max="field.most === Infinity ? undefined : field.most"
            :step="field.step ?? 1"
            :value="field.value"
            @change="setNumber(field, $event)"
          />
          {{ field.unit }}
        </span>
      </label>
    </component>
    <p v-if="problem" class="refused" role="alert">{{ problem }}</p>
    <p class="ends">
      <button type="button" class="plain-button strong" @click="change(usual)">usual values</button>
      <button type="submit" class="solid-button">Done</button>
    </p>
  </form>
</template>

<style scoped>
.form {
  min-width: 300px;
  max-width: 460px;
  padding: 12px 16px 14px;
}

label {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  min-height: 32px;
}

.text-input {
  padding: 3px 6px;
}

.number .text-input {
  width: 72px;
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
