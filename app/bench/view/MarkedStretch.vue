<script setup lang="ts">
import { computed, ref } from 'vue'
import { countPeriods } from '~~/core/calendar/labels'
import { eventChange } from '~~/core/forecast/regression/eventChange'
import { canLeaveOutOfIndex, leaveOutOfIndex } from '../study/exclusion'
import { useBench } from '../study/benchStore'
import { useLedger } from './ledgerStore'
import { useSelection, type Marked } from './selectionStore'

/** What can be done with a marked stretch: leave it out, or make it an event, with one name; or analyse it alone. */
const props = defineProps<{ marked: Marked }>()
const bench = useBench()
const ledger = useLedger()
const selection = useSelection()
const reason = ref('')
const hasReason = computed(() => reason.value.trim() !== '')

const codes = computed(() => {
  const { from, to } = props.marked
  return Array.from({ length: to - from + 1 }, (_, i) => ledger.codeAt(from + i)!)
})
const words = computed(() => {
  const { from, to } = props.marked
  const count = countPeriods(to - from + 1, bench.series!.calendar)
  return from === to
    ? ledger.labelAt(from)
    : `${ledger.labelAt(from)} to ${ledger.labelAt(to)}, ${count}`
})
const hasIndex = computed(() => canLeaveOutOfIndex(bench.result))

function leaveOut() {
  void bench.adjust(
    codes.value.map((period) => ({ period, value: null, reason: reason.value.trim() })),
  )
  done()
}

function leaveOutOfSeason() {
  void bench.change(leaveOutOfIndex(bench.method, codes.value, reason.value.trim()))
  done()
}

/** An indicator of a regression: its own effect, apart from trend and season. */
function makeEvent() {
  const [from, to] = [codes.value[0]!, codes.value.at(-1)!]
  void bench.changePart(
    eventChange(bench.result!.method.forecast, { name: reason.value.trim(), from, to }),
  )
  done()
}

function analyseAlone() {
  void bench.changePart({ span: { from: codes.value[0]!, to: codes.value.at(-1)! } })
  done()
}

function done() {
  reason.value = ''
  selection.unmark()
}
</script>

<template>
  <form class="stretch" aria-label="Marked stretch" @submit.prevent="hasReason && leaveOut()">
    <strong>{{ words }}</strong>
    <v-text-field
      v-model="reason"
      class="reason"
      placeholder="what happened"
      aria-label="What happened in the marked stretch"
      maxlength="500"
    />
    <v-btn color="accent" type="submit" :disabled="!hasReason">leave the values out</v-btn>
    <v-btn v-if="hasIndex" color="accent" :disabled="!hasReason" @click="leaveOutOfSeason()">
      only out of the indices
    </v-btn>
    <v-btn v-if="bench.result" color="accent" :disabled="!hasReason" @click="makeEvent()">
      make it an event
    </v-btn>
    <v-btn v-if="marked.from < marked.to" color="accent" @click="analyseAlone()">
      analyse it alone
    </v-btn>
    <v-btn @click="done()">unmark</v-btn>
  </form>
</template>

<style scoped>
.stretch {
  position: relative;
  z-index: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  padding: 4px 12px;
  border-top: 1px solid var(--rule);
  background: var(--band);
  font-size: 12px;
}

.reason {
  flex: 1 1 160px;
  max-width: 260px;
}
</style>
