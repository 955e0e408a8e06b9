<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { analyseApart } from '~/workers/core'
import { inReadersFigures } from '~/figures/format'
import { memberAlone } from '~~/core/calculate'
import { memberNamed } from '~~/core/forecast/combination/columns'
import { sentenceWithoutLimits } from '~~/core/sentence/sentence'
import { piecesText } from '~~/core/word'
import type { Result } from '~~/core/result'
import { useBench } from '../../study/benchStore'
import { useLedger } from '../../view/ledgerStore'
import { useSelection } from '../../view/selectionStore'
import CellTrail from './CellTrail.vue'

/** A method of a combination by itself: what it is, and how its figure at the selected period came about. */
const props = defineProps<{ result: Result }>()
const bench = useBench()
const ledger = useLedger()
const selection = useSelection()

/** Null for the moment in which another row is selected and this is not gone yet. */
const place = computed(() => memberNamed(selection.selected?.column ?? ''))
const alone = computed(() => {
  const { method } = props.result
  if (place.value === null || !('of' in method.forecast)) return null
  const member = method.forecast.of[place.value]
  return member ? memberAlone(member, method) : null
})
const own = shallowRef<Result | null>(null)
const failed = shallowRef('')
// Calculated beside the page, and only when it is looked at: a member can be a choice of many forms.
watch(
  alone,
  async (document) => {
    own.value = null
    failed.value = ''
    if (!document) return
    try {
      const outcome = await analyseApart(bench.series!, document)
      if (document !== alone.value) return
      if (outcome.kind === 'result') own.value = outcome.result
      else failed.value = outcome.because
    } catch (error) {
      if (document === alone.value) failed.value = (error as Error).message
    }
  },
  { immediate: true },
)
/** What it does, without what is the combination's. */
const sentence = computed(() =>
  own.value
    ? inReadersFigures(`${piecesText(sentenceWithoutLimits(own.value.method, bench.series!))}.`)
    : '',
)
const start = computed(() => {
  const { t } = selection.selected!
  return { column: t > ledger.lastActual ? 'forecast' : 'fitted', t }
})
</script>

<template>
  <section v-if="place !== null" class="working-part">
    <h3>How method {{ place + 1 }} got there</h3>
    <p v-if="failed" class="refused" role="alert">{{ inReadersFigures(failed) }}</p>
    <p v-else-if="!own" class="muted small">Calculating…</p>
    <template v-else>
      <p class="small">{{ sentence }}</p>
      <CellTrail :result="own" :start="start" />
    </template>
  </section>
</template>

<style scoped>
.refused {
  color: var(--danger);
}
</style>
