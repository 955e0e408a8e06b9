<script setup lang="ts">
import { ref } from 'vue'
import type { Method } from '~~/core/method'
import { onePeriod } from '~~/core/calendar/labels'
import { useBench } from '../benchStore'

const props = defineProps<{ method: Method }>()
const emit = defineEmits<{ done: [] }>()
const bench = useBench()
const horizon = ref(String(props.method.forecast.horizon))
const seasons = bench.series!.calendar.seasons
const MOST = 10 * seasons

function set(count: number) {
  emit('done')
  void bench.change({ ...bench.method, forecast: { ...bench.method.forecast, horizon: count } })
}

function submit() {
  const count = Number(horizon.value)
  if (Number.isInteger(count) && count >= 1 && count <= MOST) set(count)
}
</script>

<template>
  <form class="form" @submit.prevent="submit">
    <label>
      Project this many {{ onePeriod(bench.series!.calendar) }}s
      <v-text-field
        v-model="horizon"
        class="count"
        type="number"
        min="1"
        :max="MOST"
        required
        aria-describedby="horizon-range"
      />
    </label>
    <p id="horizon-range" class="muted small">From 1 to {{ MOST }}.</p>
    <p class="quick">
      <v-btn v-for="years in [1, 2, 3]" :key="years" color="accent" @click="set(years * seasons)">
        {{ years }} {{ years === 1 ? 'year' : 'years' }}
      </v-btn>
      <v-btn variant="flat" type="submit">Project</v-btn>
    </p>
  </form>
</template>

<style scoped>
.form {
  padding: 14px 16px;
}

label {
  display: flex;
  align-items: center;
  gap: 8px;
}

.count {
  width: 76px;
}

p {
  margin: 6px 0 0;
}

.quick {
  display: flex;
  align-items: center;
  gap: 6px;
}
</style>
