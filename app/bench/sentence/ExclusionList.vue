<script setup lang="ts">
import { computed } from 'vue'
import { formatPeriodCode } from '~/figures/format'
import { exclusionsOf, type Method } from '~~/core/method'
import { useBench } from '../study/benchStore'
import { putBackIntoIndex } from '../study/exclusion'

const props = defineProps<{ method: Method }>()
const emit = defineEmits<{ done: [] }>()
const bench = useBench()
const exclusions = computed(() => exclusionsOf(props.method))

function label(code: string): string {
  return formatPeriodCode(code, bench.series!.calendar)
}

function putBack(period: string) {
  if (exclusions.value.length === 1) emit('done')
  void bench.change(putBackIntoIndex(bench.method, period))
}
</script>

<template>
  <ul class="list">
    <li v-for="{ period, reason } in exclusions" :key="period">
      <span>
        <strong>{{ label(period) }}</strong> {{ reason }}
      </span>
      <v-btn color="accent" @click="putBack(period)">put back</v-btn>
    </li>
  </ul>
</template>

<style scoped>
.list {
  margin: 0;
  padding: 10px 16px;
  list-style: none;
}

li {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 16px;
}
</style>
