<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { formatChange, formatDecimals, formatP, formatSigned } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { easterByYears } from '~~/core/prepare/calendar/easterYears'
import { calendarTakenOf, readEffects, type EffectRead } from '~~/core/prepare/calendar/reading'
import {
  criterionWorking,
  effectWorking,
  jointWorking,
  reachWorking,
  type FigureWorking as Working,
} from '~~/core/prepare/calendar/working'
import type { Result } from '~~/core/result'
import { orderText } from '~~/core/stateSpace/arima/order'
import { normalQuantile } from '~~/core/statistics/distributions'
import type { Value } from '~~/core/series/series'
import { useLedger } from '../../view/ledgerStore'
import FigureButton from '../../figures/FigureButton.vue'
import FigureWorking from '../../figures/FigureWorking.vue'
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
function ask(one: Working | null): void {
  working.value = one?.title === working.value?.title ? null : one
}
const isAsked = (one: Working | null) => one !== null && one.title === working.value?.title
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
/** By how much the criterion rises without it. */
function risesBy(aiccWithout: Value): string {
  const { withAll } = taken.value.aicc
  if (aiccWithout === null || withAll === null) return '–'
  return formatSigned(aiccWithout - withAll, 1)
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
            <FigureButton
              :is-asked="isAsked(effectWorking(taken, one))"
              @click="ask(effectWorking(taken, one))"
            >
              {{ sizeOf(one) }}
            </FigureButton>
            ±
            <FigureButton
              class="reach"
              :is-asked="isAsked(reachWorking(taken, one, LEVEL))"
              @click="ask(reachWorking(taken, one, LEVEL))"
            >
              {{ reachOf(one) }}
            </FigureButton>
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
          <td class="number">
            <FigureButton
              v-if="group.joint.f !== null"
              :is-asked="isAsked(jointWorking(taken, group))"
              @click="ask(jointWorking(taken, group))"
            >
              {{ formatDecimals(group.joint.f, 2) }}
            </FigureButton>
            <template v-else>–</template>
          </td>
          <td class="number">
            <FigureButton
              v-if="group.joint.p !== null"
              :is-asked="isAsked(jointWorking(taken, group))"
              @click="ask(jointWorking(taken, group))"
            >
              {{ formatP(group.joint.p) }}
            </FigureButton>
            <template v-else>–</template>
          </td>
          <td class="number">
            <FigureButton
              v-if="criterionWorking(taken, group)"
              :is-asked="isAsked(criterionWorking(taken, group))"
              @click="ask(criterionWorking(taken, group))"
            >
              {{ risesBy(group.aiccWithout) }}
            </FigureButton>
            <template v-else>–</template>
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
