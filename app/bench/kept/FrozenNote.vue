<script setup lang="ts">
import { computed, ref } from 'vue'
import { navigateTo } from '#app'
import { inReadersFigures } from '~/figures/format'
import { recordOf } from '~/kept/record'
import { inUnit } from '~~/core/words/figure'
import type { KeptDocument } from '~~/shared/api/kept'
import { addStudy } from '../studies/studiesApi'
import { useBench } from '../study/benchStore'

/** How a kept forecast did, whether it still comes out the same, and how to go on from it. */
const props = defineProps<{ kept: KeptDocument }>()
const bench = useBench()
const says = computed(() => recordOf(props.kept))

/** Figures differ by less than this share by the order of their sums alone. */
const ROUNDING = 1e-9
/** How far today's calculation lies from what was kept; null where it is the same. */
const apart = computed(() => {
  const now = bench.result?.forecast.forecast
  if (!now) return null
  const { forecast } = props.kept.forecast
  const most = Math.max(...forecast.map((value, i) => Math.abs(value - (now[i] ?? Infinity))))
  const size = Math.max(...forecast.map(Math.abs))
  return most > ROUNDING * size ? most : null
})

const failure = ref('')
async function takeUpAgain() {
  failure.value = ''
  try {
    const { seriesId, name, method } = props.kept
    const id = await addStudy(seriesId, { name: name.slice(0, 80), method: method as never })
    await navigateTo(`/study/${id}`)
  } catch (error) {
    failure.value = (error as Error).message
  }
}
</script>

<template>
  <section class="frozen" aria-label="Record of this forecast">
    <p>
      <strong v-if="kept.isAgreed">Agreed. </strong>{{ says.line
      }}<template v-if="says.leaning">; {{ says.leaning }}</template
      >.
      <strong v-if="says.need" class="need">A new look: {{ says.need }}.</strong>
      <span v-if="kept.note" class="note" dir="auto">{{ kept.note }}</span>
    </p>
    <p v-if="apart !== null" class="small" role="alert">
      This Elvant calculates it otherwise than the one that kept it: up to
      {{ inReadersFigures(inUnit(apart, kept.unit)) }} apart. What was kept is what is judged.
    </p>
    <p v-if="failure" class="small need" role="alert">{{ failure }}</p>
    <v-btn variant="flat" @click="takeUpAgain()">Take up again</v-btn>
  </section>
</template>

<style scoped>
.frozen {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  padding: 8px 20px;
  gap: 4px 16px;
}

p {
  flex: 1 1 400px;
  margin: 0;
}

.need {
  color: var(--forecast-text);
}

.note {
  display: block;
  color: var(--muted);
  white-space: pre-line;
}
</style>
