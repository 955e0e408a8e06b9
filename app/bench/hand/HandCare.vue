<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import { formatChange, formatFigure, inReadersFigures } from '~/figures/format'
import { seasonLabel } from '~~/core/calendar/labels'
import { movedBy } from '~~/core/forecast/assumptions/bend'
import { amountAssumed, withAssumption } from '~~/core/forecast/assumptions/change'
import type { Assumption } from '~~/core/forecast/assumptions/options'
import { handRecord, handWords } from '~~/core/kept/handRecord'
import type { Result } from '~~/core/result'
import { useTriedChange } from '../controls/triedChange'
import { useKept } from '../kept/keptStore'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'
import AssumptionList from './AssumptionList.vue'
import ScenarioList from './ScenarioList.vue'
import { useHand } from './handStore'

/** Bends the forecast by hand at the selected period: to a figure, by growth from there on, or in its season. */
const props = defineProps<{ result: Result }>()
const bench = useBench()
const ledger = useLedger()
const selection = useSelection()
const hand = useHand()
const kept = useKept()
const { problem, change } = useTriedChange()

type Kind = Assumption['kind']
const kind = ref<Kind>('amount')
const typed = ref('')
const reason = ref('')
const field = useTemplateRef<{ focus(): void }>('field')
const reasonField = useTemplateRef<{ focus(): void }>('reason')

/** Which forecast period is selected: its place, its code and its figure; null for none. */
const at = computed(() => {
  const { forecast } = props.result
  const i = forecast.t.indexOf(selection.selected?.t ?? NaN)
  if (i < 0) return null
  return {
    t: forecast.t[i]!,
    period: forecast.period[i]!,
    season: forecast.season[i]!,
    value: forecast.forecast[i]!,
  }
})
const assumptions = computed(() => props.result.method.forecast.assumptions ?? [])
const isAdditive = computed(() => props.result.bends.season === 'additive')
const kinds = computed(() => {
  const { growth, season } = props.result.bends
  const calendar = bench.series!.calendar
  return [
    { value: 'amount', title: 'this period alone' },
    ...(growth ? [{ value: 'growth', title: 'growth from here on' }] : []),
    ...(season && at.value
      ? [{ value: 'index', title: `every ${seasonLabel(at.value.season, calendar)} from here on` }]
      : []),
  ]
})
const unit = computed(() =>
  kind.value === 'growth'
    ? '% a year'
    : kind.value === 'index' && !isAdditive.value
      ? 'times its index'
      : bench.series!.unit,
)
const number = computed(() => (typed.value.trim() === '' ? NaN : Number(typed.value)))
const isReady = computed(() => Number.isFinite(number.value) && reason.value.trim() !== '')

/** The assumption that the fields say; a figure wished for is an amount more than everything else comes to. */
function assumed(): Assumption {
  const { period, season, value } = at.value!
  const common = { from: period, reason: reason.value.trim() }
  switch (kind.value) {
    case 'growth':
      return { kind: 'growth', ...common, percentPerYear: number.value }
    case 'index':
      return {
        ...{ kind: 'index', ...common, season },
        ...(isAdditive.value ? { amount: number.value } : { factor: number.value }),
      }
    case 'amount': {
      const rest = value - amountAssumed(assumptions.value, period)
      return { kind: 'amount', ...common, to: period, amount: number.value - rest }
    }
  }
}

function assume() {
  if (!isReady.value || !at.value) return
  change(withAssumption(assumptions.value, assumed()))
  if (problem.value !== '') return
  typed.value = reason.value = ''
  hand.hold(null)
}

// What was typed for one period is not meant for another.
watch(
  () => at.value?.t,
  () => {
    if (hand.wish?.t === at.value?.t) return
    typed.value = ''
    hand.hold(null)
  },
)
watch(kinds, (offered) => {
  if (!offered.some(({ value }) => value === kind.value)) kind.value = 'amount'
})
watch(
  () => hand.wish,
  (wish) => {
    if (!wish) return
    kind.value = 'amount'
    typed.value = String(wish.value)
  },
  { immediate: true },
)
// Of a point that was dragged, what is left to say is why.
watch(
  [() => hand.isAsked, field],
  ([isAsked, own]) => {
    if (!isAsked || !own) return
    hand.answer()
    if (hand.wish) reasonField.value?.focus()
    else own.focus()
  },
  { immediate: true, flush: 'post' },
)

/** Whether it helped in forecasts that were kept. */
const helped = computed(() => {
  const record = handRecord(kept.rows.map(({ judged }) => judged))
  return record && inReadersFigures(handWords(record, bench.series!.unit))
})

/** What the hand comes to over all forecast periods. */
const moved = computed(() => {
  const { assumed: own, forecast } = props.result
  const share = own ? movedBy(forecast.forecast, own.statistical.forecast) : null
  return share === null ? null : formatChange(100 * share)
})
</script>

<template>
  <section class="working-part">
    <h3>By hand</h3>
    <template v-if="bench.frozen" />
    <p v-else-if="!at" class="muted small">
      What you know better than the statistics: select a forecast figure to bend it, with a reason.
    </p>
    <form v-else @submit.prevent="assume()">
      <v-select
        v-model="kind"
        :items="kinds"
        :aria-label="`What is assumed of ${ledger.labelAt(at.t)}`"
      />
      <label class="figure">
        {{ kind === 'amount' ? `${ledger.labelAt(at.t)}:` : `from ${ledger.labelAt(at.t)} on:` }}
        <v-text-field
          ref="field"
          v-model="typed"
          type="number"
          step="any"
          :placeholder="kind === 'amount' ? String(Number(at.value.toPrecision(4))) : ''"
        />
        <span class="muted">{{ unit }}</span>
      </label>
      <v-text-field
        ref="reason"
        v-model="reason"
        placeholder="reason"
        aria-label="Reason for the assumption"
        maxlength="500"
      />
      <p class="acts">
        <v-btn color="accent" type="submit" :disabled="!isReady">assume</v-btn>
        <span class="muted small">
          {{ kind === 'amount' ? `instead of ${formatFigure(at.value)}. ` : '' }}The statistical
          forecast stays beside it.
        </span>
      </p>
      <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
    </form>
    <template v-if="assumptions.length > 0">
      <AssumptionList :method="result.method" />
      <p v-if="moved" class="muted small">Together {{ moved }} against the statistical forecast.</p>
    </template>
    <p v-if="helped" class="muted small">{{ helped }}</p>
    <ScenarioList :result="result" />
  </section>
</template>

<style scoped>
form {
  margin-bottom: 8px;
  font-size: 12px;
}

.figure {
  display: flex;
  gap: 6px;
  align-items: center;
  margin: 6px 0;
  white-space: nowrap;
}

.figure .v-text-field {
  flex: none;
  width: 120px;
}

p {
  margin: 0;
}

.acts {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 6px;
}

.refused {
  margin-top: 4px;
  color: var(--danger);
}
</style>
