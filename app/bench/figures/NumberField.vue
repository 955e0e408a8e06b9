<script setup lang="ts">
import { ref, watch } from 'vue'

/** A number within bounds, a whole one unless its step is finer; what is none puts the present one back, and says so. */
const props = defineProps<{
  modelValue: number
  label: string
  least: number
  most?: number
  step?: number
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number]; refused: [because: string] }>()
const text = ref(String(props.modelValue))
watch(
  () => props.modelValue,
  (value) => (text.value = String(value)),
)

function commit() {
  const value = Number(text.value)
  const { least, most = Infinity, step = 1 } = props
  const isFine = step < 1
  const fits = isFine ? Number.isFinite(value) : Number.isInteger(value)
  if (text.value !== '' && fits && value >= least && value <= most) {
    if (value !== props.modelValue) emit('update:modelValue', value)
    return
  }
  const range = most === Infinity ? `of at least ${least}` : `from ${least} to ${most}`
  emit('refused', `This must be a ${isFine ? '' : 'whole '}number ${range}.`)
  text.value = String(props.modelValue)
}
</script>

<template>
  <v-text-field
    v-model="text"
    type="number"
    class="number-field"
    :aria-label="label"
    :min="least"
    :max="most"
    :step="step ?? 1"
    @change="commit"
  />
</template>

<style scoped>
.number-field {
  display: inline-flex;
  flex: none;
  width: 66px;
}
</style>
