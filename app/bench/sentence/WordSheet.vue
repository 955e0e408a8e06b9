<script setup lang="ts">
import { computed, type Component } from 'vue'
import { later } from '~/shell/later'
import ChoiceList from './ChoiceList.vue'
import { useSentence } from './sentenceStore'

const AssumptionSheet = later(() => import('../hand/AssumptionSheet.vue'))
const BreakList = later(() => import('../ways/leastSquares/BreakList.vue'))
const EffectsByHand = later(() => import('../preparations/calendar/EffectsByHand.vue'))
const EventList = later(() => import('../ways/regression/EventList.vue'))
const ExclusionList = later(() => import('./ExclusionList.vue'))
const FieldSheet = later(() => import('./FieldSheet.vue'))
const GivenIndices = later(() => import('../ways/averages/GivenIndices.vue'))
const OrdersSheet = later(() => import('../ways/arima/OrdersSheet.vue'))
const MemberList = later(() => import('../ways/combination/MemberList.vue'))

/** The sheets of words that are neither a choice nor fields to fill; of a choice, what stands below it. */
const OWN: Readonly<Record<string, { readonly sheet: Component; readonly of?: object }>> = {
  assumptions: { sheet: AssumptionSheet },
  exclude: { sheet: ExclusionList },
  breaks: { sheet: BreakList },
  events: { sheet: EventList },
  indices: { sheet: GivenIndices },
  members: { sheet: MemberList },
  calendar: { sheet: EffectsByHand },
  orders: { sheet: OrdersSheet, of: { part: 'forecast' } },
  trendOrders: { sheet: OrdersSheet, of: { part: 'trend' } },
}

/** What a word of the sentence could be instead. */
const props = defineProps<{ id: string }>()
defineEmits<{ done: [] }>()
const sentence = useSentence()
const word = computed(() => sentence.wordOf(props.id))
const own = computed(() => OWN[props.id])
</script>

<template>
  <template v-if="word">
    <ChoiceList
      v-if="word.ask.kind === 'pick'"
      :name="word.text"
      :choices="word.ask.choices"
      @done="$emit('done')"
    />
    <FieldSheet
      v-else-if="word.ask.kind === 'fields'"
      :lead="word.ask.lead"
      :fields="word.ask.fields"
      :usual="word.ask.usual"
      @done="$emit('done')"
    />
    <component
      :is="own.sheet"
      v-if="own"
      :key="id"
      :method="sentence.method"
      v-bind="own.of"
      @done="$emit('done')"
    />
  </template>
</template>
