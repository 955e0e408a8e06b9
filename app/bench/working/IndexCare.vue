<script setup lang="ts">
import { computed, ref } from 'vue'
import { exclusionsOf } from '~~/core/method'
import { useBench } from '../study/benchStore'
import { leaveOutOfIndex, putBackIntoIndex } from '../study/exclusion'

/** Leaves a period out of its season's index, for a reason, or puts it back; the value itself stays. */
const props = defineProps<{
  /** Period code. */
  period: string
}>()
const bench = useBench()
const reason = ref('')
const exclusion = computed(() =>
  exclusionsOf(bench.result!.method).find(({ period }) => period === props.period),
)

function leaveOut() {
  const words = reason.value.trim()
  if (words) void bench.change(leaveOutOfIndex(bench.method, [props.period], words))
  reason.value = ''
}
</script>

<template>
  <p v-if="exclusion" class="excluded">
    Left out of its season: {{ exclusion.reason }}.
    <v-btn color="accent" @click="bench.change(putBackIntoIndex(bench.method, period))">
      put back
    </v-btn>
  </p>
  <form v-else class="leave-out" @submit.prevent="leaveOut">
    <v-text-field
      v-model="reason"
      placeholder="reason to leave it out"
      aria-label="Reason to leave this value out of its season’s index"
      maxlength="500"
    />
    <v-btn color="accent" type="submit" :disabled="reason.trim() === ''"> leave out </v-btn>
  </form>
</template>

<style scoped>
.excluded {
  margin: 8px 0 0;
}

.leave-out {
  display: flex;
  gap: 6px;
  margin-top: 10px;
}
</style>
