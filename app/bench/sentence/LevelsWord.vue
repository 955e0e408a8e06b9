<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Method } from '~~/core/method'
import { useBench } from '../benchStore'

const props = defineProps<{ method: Method }>()
const emit = defineEmits<{ done: [] }>()
const bench = useBench()
const USUAL = [50, 80, 90, 95, 99]
const other = ref('')
const levels = computed(() => props.method.forecast.levels)
const offered = computed(() => [...new Set([...USUAL, ...levels.value])].sort((a, b) => a - b))

function set(next: readonly number[]) {
  void bench.change({
    ...bench.method,
    forecast: { ...bench.method.forecast, levels: [...next].sort((a, b) => a - b) },
  })
}

function toggle(level: number) {
  set(
    levels.value.includes(level)
      ? levels.value.filter((have) => have !== level)
      : [...levels.value, level],
  )
}

function add() {
  const level = Number(other.value)
  if (!(level > 0 && level < 100)) return
  other.value = ''
  if (!levels.value.includes(level)) set([...levels.value, level])
}
</script>

<template>
  <form class="form" @submit.prevent="add">
    <p class="lead">Limits that hold the actual value in this share of cases:</p>
    <span v-for="level in offered" :key="level" class="level">
      <v-checkbox-btn
        :model-value="levels.includes(level)"
        :label="`${level}%`"
        @update:model-value="toggle(level)"
      />
    </span>
    <p class="line">
      <label>
        another, in per cent
        <v-text-field
          v-model="other"
          class="count"
          type="number"
          min="0.1"
          max="99.9"
          step="0.1"
          placeholder="97.5"
        />
      </label>
      <v-btn color="accent" type="submit">Add</v-btn>
      <v-btn variant="flat" @click="emit('done')">Done</v-btn>
    </p>
  </form>
</template>

<style scoped>
.form {
  padding: 14px 16px;
}

.lead {
  margin: 0 0 6px;
}

.level {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  margin-right: 14px;
}

.line {
  display: flex;
  align-items: center;
  gap: 6px;
  margin: 10px 0 0;
}

.count {
  width: 68px;
  margin-left: 4px;
}
</style>
