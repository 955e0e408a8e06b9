<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { formatChange, formatDecimals, formatP, formatSigned } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import type { FigureWorking as Working } from '~~/core/column/figureWorking'
import { easterByYears } from '~~/core/prepare/calendar/easterYears'
import { calendarTakenOf, readEffects, type EffectRead } from '~~/core/prepare/calendar/reading'
import {
  criterionWorking,
  effectWorking,
  jointWorking,
  reachWorking,
} from '~~/core/prepare/calendar/working'
import type { Result } from '~~/core/result'
import { orderText } from '~~/core/stateSpace/arima/order'
import { normalQuantile } from '~~/core/statistics/distributions'
import type { GroupReport } from '~~/core/prepare/calendar/taken'
import { useLedger } from '../../view/ledgerStore'
import FigureWorking from '../../figures/FigureWorking.vue'
import WorkedFigure from '../../figures/WorkedFigure.vue'
import EasterYears from './EasterYears.vue'

/** What the days of a period do to its values, and whether that is more than chance. */
const props = defineProps<{ result: Result }>()
const ledger = useLedger()

const LEVEL = 95
const taken = computed(() => calendarTakenOf(props.result)!)
const isShare = computed(() => taken.value.model === 'multiplicative')
const easter = computed(() => easterByYears(taken.value))
const effects = computed(() => readEffects(taken.value))
/** The working that is asked for; of another result there is none yet. */
const working = shallowRef<Working | null>(null)
watch(taken, () => (working.value = null))
/** With the errors of a model: the same effects with independent ones, and the model. */
const beside = computed(() => {
  const { arima } = taken.value
  if (!arima) return null
  const { order, constant } = arima.model
  return {
    effects: readEffects({ ...taken.value, ...arima.independent }),
    name: orderText(order, constant),
  }
})

function sizeOf({ estimate }: EffectRead): string {
  if (isShare.value) return formatChange(100 * estimate)
  const { divisor, decimals } = ledger.scale
  return formatSigned(estimate / divisor, decimals)
}
function reachOf({ standardError }: EffectRead): string {
  const reach = normalQuantile(LEVEL) * standardError
  if (isShare.value) return formatDecimals(100 * reach, 1)
  return formatDecimals(reach / ledger.scale.divisor, ledger.scale.decimals)
}
/** Whether it may be nothing. */
function maybeNone({ estimate, standardError }: EffectRead): boolean {
  return Math.abs(estimate) < normalQuantile(LEVEL) * standardError
}
/** F, p and by how much the criterion rises without it. */
function figuresOf(group: GroupReport) {
  const { f, p } = group.joint
  const joint = jointWorking(taken.value, group)
  const rises = criterionWorking(taken.value, group)
  return [
    { key: 'f', working: joint, text: f === null ? '' : formatDecimals(f, 2) },
    { key: 'p', working: joint, text: p === null ? '' : formatP(p) },
    { key: 'aicc', working: rises, text: rises ? formatSigned(rises.value, 1) : '' },
  ]
}
</script>

<template>
  <section class="working-part">
    <h3>What the calendar does</h3>
    <p v-if="effects.length === 0" class="muted">
      {{
        taken.divides
          ? 'Values are divided by their days.'
          : 'None of it helps: nothing is taken out.'
      }}
    </p>
    <v-table v-else class="working-table">
      <caption>
        {{
          isShare ? 'Share of the values' : 'Amount in units of the series'
        }}, with its
        {{
          LEVEL
        }}% limits
      </caption>
      <thead v-if="beside">
        <tr class="head">
          <th scope="col">effect</th>
          <th scope="col" class="number">ARIMA errors</th>
          <th scope="col" class="number">independent ones</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(one, i) in effects" :key="one.name">
          <th scope="row" :class="{ muted: maybeNone(one) }">{{ one.name }}</th>
          <td class="number" :class="{ muted: maybeNone(one) }">
            <WorkedFigure
              :working="effectWorking(taken, one)"
              :open="working"
              @ask="working = $event"
            >
              {{ sizeOf(one) }}
            </WorkedFigure>
            ±
            <WorkedFigure
              class="reach"
              :working="reachWorking(taken, one, LEVEL)"
              :open="working"
              @ask="working = $event"
            >
              {{ reachOf(one) }}
            </WorkedFigure>
          </td>
          <td v-if="beside" class="number" :class="{ muted: maybeNone(beside.effects[i]!) }">
            {{ sizeOf(beside.effects[i]!) }} ± {{ reachOf(beside.effects[i]!) }}
          </td>
        </tr>
      </tbody>
    </v-table>
    <v-table v-if="taken.groups.length > 0" class="working-table">
      <caption>
        Whether it is more than chance
      </caption>
      <thead>
        <tr class="head">
          <th scope="col">effect</th>
          <th scope="col" class="number">F</th>
          <th scope="col" class="number">p</th>
          <th scope="col" class="number"><TermWord of="aic">AICc</TermWord> without it</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="group in taken.groups" :key="group.name">
          <th scope="row">
            {{ group.says }}
            <span class="muted">{{ group.isKept ? 'taken out' : 'left in' }}</span>
          </th>
          <td v-for="one in figuresOf(group)" :key="one.key" class="number">
            <WorkedFigure :working="one.working" :open="working" @ask="working = $event">
              {{ one.text }}
            </WorkedFigure>
          </td>
        </tr>
      </tbody>
    </v-table>
    <FigureWorking v-if="working" :working="working" @close="working = null" />
    <EasterYears v-if="easter" :easter="easter" />
    <p class="muted small">
      {{
        beside
          ? `Estimated by exact likelihood, with errors of ARIMA ${beside.name}.`
          : 'Estimated beside season and trend, by least squares.'
      }}
      {{
        taken.alike
          ? `Limits and F allow for errors that are alike up to ${taken.alike.reach} periods apart.`
          : ''
      }}
      What is grey may be nothing; AICc rises (+) without what helps. Every figure opens its
      working.
    </p>
  </section>
</template>

<style scoped>
.number {
  white-space: nowrap;
}

.reach {
  padding-left: 0;
}
</style>
