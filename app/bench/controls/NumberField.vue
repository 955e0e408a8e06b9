<script setup lang="ts">
import { ref, watch } from 'vue'

/**
 * A number within bounds, a whole one unless its step is finer. What is none stays as it was typed, with what is asked
 * for; Escape puts the present one back. Enter goes to the next field of a form.
 */
const props = defineProps<{
  modelValue: number
  label: string
  least: number
  most?: number
  step?: number
  /** Nothing is set yet: the figure that is shown is set by typing it. */
  isOpen?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number] }>()
const text = ref(String(props.modelValue))
const problem = ref('')
/** Whether anything was typed since the field was come to. */
let isTyped = false
watch(
  () => props.modelValue,
  (value) => {
    text.value = String(value)
    problem.value = ''
  },
)

function commit() {
  if (!isTyped) return
  isTyped = false
  const value = Number(text.value)
  const { least, most = Infinity, step = 1 } = props
  const isFine = step < 1
  const fits = isFine ? Number.isFinite(value) : Number.isInteger(value)
  if (text.value !== '' && fits && value >= least && value <= most) {
    problem.value = ''
    if (value !== props.modelValue || props.isOpen) emit('update:modelValue', value)
    return
  }
  const range = most === Infinity ? `of at least ${least}` : `from ${least} to ${most}`
  problem.value = `a ${isFine ? '' : 'whole '}number ${range}`
}

/** What was refused goes first; pressed again, the key closes what the field stands in. */
function onEscape(event: KeyboardEvent) {
  if (problem.value !== '') event.stopPropagation()
  isTyped = false
  text.value = String(props.modelValue)
  problem.value = ''
}

/** The last field hands the key on, which then says that all is done. */
function onEnter(event: KeyboardEvent) {
  commit()
  const own = event.target as HTMLInputElement
  const fields = [...(own.form?.querySelectorAll<HTMLInputElement>('input[type=number]') ?? [])]
  const next = fields[fields.indexOf(own) + 1]
  if (problem.value === '' && !next) return
  event.preventDefault()
  if (problem.value !== '') return
  next!.focus()
  next!.select()
}
</script>

<template>
  <span class="with-problem">
    <v-text-field
      v-model="text"
      type="number"
      class="number-field"
      :aria-label="label"
      :aria-invalid="problem !== ''"
      :error="problem !== ''"
      :min="least"
      :max="most"
      :step="step ?? 1"
      @update:model-value="isTyped = true"
      @change="commit"
      @blur="commit"
      @keydown.enter="onEnter"
      @keydown.esc="onEscape"
    />
    <span v-if="problem" class="problem small" role="alert">{{ problem }}</span>
  </span>
</template>

<style scoped>
.with-problem {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

.number-field {
  display: inline-flex;
  flex: none;
  width: 66px;
}

.problem {
  color: var(--danger);
}
</style>
