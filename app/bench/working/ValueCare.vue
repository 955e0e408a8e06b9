<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { formatFigure } from '~/figures/format'
import { useBench } from '../study/benchStore'

/** Replaces a value of the series or leaves it out, for a reason, or takes that back. */
const props = defineProps<{
  /** Period code. */
  period: string
  /** As it came in. */
  original: number | null
}>()
const bench = useBench()
const instead = ref('')
const reason = ref('')

const adjustment = computed(() =>
  bench.content.adjustments.find(({ period }) => period === props.period),
)
const hasReason = computed(() => reason.value.trim() !== '')
const replacement = computed(() => (instead.value === '' ? null : Number(instead.value)))
watch(
  () => props.period,
  () => (instead.value = reason.value = ''),
)

function use(value: number | null) {
  void bench.adjust([{ period: props.period, value, reason: reason.value.trim() }])
  instead.value = reason.value = ''
}
</script>

<template>
  <section class="care">
    <template v-if="adjustment">
      <p>
        <strong>{{ adjustment.value === null ? 'Left out' : 'Replaced' }}:</strong>
        {{ adjustment.reason }}. It came in as
        {{ original === null ? 'missing' : formatFigure(original) }}.
      </p>
      <v-btn color="accent" @click="bench.takeBack(period)"> take back </v-btn>
    </template>
    <form v-else @submit.prevent="replacement !== null && hasReason && use(replacement)">
      <label>
        use instead
        <v-text-field v-model="instead" class="number" type="number" step="any" />
        {{ bench.series!.unit }}
      </label>
      <v-text-field
        v-model="reason"
        class="reason"
        placeholder="reason"
        aria-label="Reason to replace this value or leave it out"
        maxlength="500"
      />
      <p class="acts">
        <v-btn
          color="accent"
          type="submit"
          :disabled="!hasReason || replacement === null || !Number.isFinite(replacement)"
        >
          replace
        </v-btn>
        <v-btn v-if="original !== null" color="accent" :disabled="!hasReason" @click="use(null)">
          leave out
        </v-btn>
        <span class="muted small">What came in is kept.</span>
      </p>
    </form>
  </section>
</template>

<style scoped>
.care {
  margin-top: 10px;
  font-size: 12px;
}

p {
  margin: 0;
}

label {
  display: flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}

.number {
  flex: none;
  width: 110px;
}

.reason {
  margin: 6px 0;
}

.acts {
  display: flex;
  align-items: center;
  gap: 6px;
}
</style>
