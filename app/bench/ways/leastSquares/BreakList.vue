<script setup lang="ts">
import { computed, ref } from 'vue'
import { inReadersFigures } from '~/figures/format'
import type { Method } from '~~/core/method'
import { breakChange, LINE } from '~~/core/trend/formChange'
import type { BreakAt } from '~~/core/trend/leastSquares/options'
import PeriodField from '../../controls/PeriodField.vue'
import { useTriedChange } from '../../controls/triedChange'

/** Where the trend breaks: each period with whether the level steps there, to be changed, added and taken out. */
const props = defineProps<{ method: Method }>()
const emit = defineEmits<{ done: [] }>()
const breaks = computed(() => props.method.trend.breaks ?? [])
const added = ref<string | null>(null)
const { problem, change: tryChange } = useTriedChange()

function take(next: readonly BreakAt[]) {
  tryChange(breakChange(next))
}

function change(at: number, to: Partial<BreakAt>) {
  take(breaks.value.map((one, i) => (i === at ? { ...one, ...to } : one)))
}

function takeOut(at: number) {
  const rest = breaks.value.filter((_, i) => i !== at)
  if (rest.length > 0) return take(rest)
  emit('done')
  tryChange({ trend: LINE.trend })
}

function add() {
  if (added.value === null) return
  take([...breaks.value, { period: added.value, level: false }])
  added.value = null
}
</script>

<template>
  <div class="breaks named-list">
    <p class="muted small">The trend turns at these periods. On the strip they can be dragged.</p>
    <div v-for="(one, i) in breaks" :key="i" class="row">
      <PeriodField
        :label="`Break ${i + 1}`"
        :model-value="one.period"
        @update:model-value="$event && change(i, { period: $event })"
      />
      <v-checkbox-btn
        :model-value="one.level"
        label="steps too"
        @update:model-value="change(i, { level: Boolean($event) })"
      />
      <v-btn color="accent" @click="takeOut(i)">take out</v-btn>
    </div>
    <div class="row">
      <PeriodField v-model="added" label="Another break" placeholder="add a period" />
      <v-btn color="accent" :disabled="added === null" @click="add">Add</v-btn>
    </div>
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
  </div>
</template>

<style scoped>
.breaks {
  padding: 10px 16px;
}

.breaks .row {
  min-height: 36px;
}

.row .v-autocomplete {
  flex: none;
  width: 146px;
}

.row .v-checkbox-btn {
  flex: 1;
}
</style>
