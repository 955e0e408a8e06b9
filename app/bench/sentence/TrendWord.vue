<script setup lang="ts">
import { ref } from 'vue'
import { onePeriod } from '~~/core/calendar/labels'
import type { Method } from '~~/core/method'
import { useBench } from '../benchStore'

const props = defineProps<{ method: Method }>()
const emit = defineEmits<{ done: [] }>()
const bench = useBench()
const { seasons } = bench.series!.calendar
const periods = bench.series!.values.length
const last = ref(String(props.method.trend.last ?? Math.min(periods, 3 * seasons)))

/** All periods when left out. */
function set(count?: number) {
  emit('done')
  const { last: _, ...trend } = bench.method.trend ?? {}
  void bench.change({
    ...bench.method,
    trend: count === undefined ? trend : { ...trend, last: count },
  })
}

function submit() {
  const count = Number(last.value)
  if (Number.isInteger(count) && count >= 3 && count <= periods) set(count)
}
</script>

<template>
  <form class="form" @submit.prevent="submit">
    <p class="lead">A straight line through the deseasonalized series</p>
    <v-btn color="accent" @click="set()">
      through all {{ periods }} {{ onePeriod(bench.series!.calendar) }}s
    </v-btn>
    <p class="line">
      <label>
        or through the last
        <v-text-field v-model="last" class="count" type="number" min="3" :max="periods" required />
        {{ onePeriod(bench.series!.calendar) }}s
      </label>
      <v-btn variant="flat" type="submit">Fit</v-btn>
    </p>
    <p class="muted small">From 3 to {{ periods }}. Limits need more than {{ seasons + 1 }}.</p>
  </form>
</template>

<style scoped>
.form {
  padding: 14px 16px;
}

.lead {
  margin: 0 0 6px;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 8px 0 0;
}

.count {
  width: 72px;
}
</style>
