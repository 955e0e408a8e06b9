<script setup lang="ts">
import { computed, ref } from 'vue'
import { besideColumn } from '~~/core/beside/besideColumn'
import { Refusal } from '~~/core/refusal'
import { averageName } from '~~/core/smoothing/averageKinds'
import { useBench } from '../benchStore'
import { averageFrom, ordersFor, YEARLY_ORDER, type Written } from './averageChoices'
import { MOST_AVERAGES, useInspection } from './inspectionStore'

const bench = useBench()
const inspection = useInspection()
const orders = computed(() => ordersFor(bench.series!.calendar.seasons))

// A field for numbers hands its number on as one, and an empty one as text.
const by = ref<Written['by']>('order')
const order = ref<number | ''>(
  bench.series!.calendar.seasons < 2 ? YEARLY_ORDER : bench.series!.calendar.seasons,
)
const p = ref<number | ''>(3)
const q = ref<number | ''>(3)
const length = ref<number | ''>(13)
const weights = ref('1/4 1/2 1/4')
const problem = ref('')

function written(): Written {
  switch (by.value) {
    case 'order':
    case 'trailing':
      return { by: by.value, order: String(order.value) }
    case 'composite':
      return { by: by.value, p: String(p.value), q: String(q.value) }
    case 'henderson':
      return { by: by.value, length: String(length.value) }
    case 'weights':
      return { by: by.value, weights: weights.value }
    case 'spencer':
      return { by: by.value }
  }
}

function add() {
  const kind = averageFrom(written())
  try {
    besideColumn(bench.shown!, { kind: 'average', by: kind })
    inspection.compare(kind)
    problem.value = ''
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    problem.value = error.because
  }
}
</script>

<template>
  <form class="line" @submit.prevent="add">
    <label>
      compare
      <select v-model="by" class="text-input" aria-label="Kind of average">
        <option value="order">a centred average of</option>
        <option value="composite">an average of an average,</option>
        <option value="trailing">a trailing average of</option>
        <option value="spencer">Spencer’s 15 terms</option>
        <option value="henderson">Henderson’s average of</option>
        <option value="weights">own weights</option>
      </select>
    </label>
    <label v-if="by === 'order' || by === 'trailing'">
      <input
        v-model="order"
        type="number"
        class="text-input"
        min="1"
        list="orders"
        aria-label="Terms"
      />
      terms
      <datalist id="orders">
        <option v-for="one in orders" :key="one" :value="one" />
      </datalist>
    </label>
    <label v-if="by === 'composite'">
      <input
        v-model="p"
        type="number"
        class="text-input"
        min="1"
        aria-label="Terms of the second"
      />
      ×
      <input v-model="q" type="number" class="text-input" min="1" aria-label="Terms of the first" />
    </label>
    <label v-if="by === 'henderson'">
      <input
        v-model="length"
        type="number"
        class="text-input"
        min="5"
        step="2"
        aria-label="Terms"
      />
      terms
    </label>
    <label v-if="by === 'weights'">
      <input
        v-model="weights"
        class="text-input weights"
        aria-label="Weights, separated by spaces; they sum to 1"
      />
    </label>
    <button type="submit" class="plain-button strong">add</button>
    <span v-for="kind in inspection.averages" :key="averageName(kind)" class="chosen">
      {{ averageName(kind) }}
      <button
        type="button"
        class="drop"
        :aria-label="`Leave out ${averageName(kind)}`"
        @click="inspection.drop(kind)"
      >
        ×
      </button>
    </span>
    <button
      type="button"
      class="plain-button multiples"
      :aria-pressed="inspection.showsMultiples"
      @click="inspection.showsMultiples = !inspection.showsMultiples"
    >
      {{ inspection.showsMultiples ? 'one strip' : 'small pictures of all orders' }}
    </button>
  </form>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <p v-else-if="inspection.averages.length === MOST_AVERAGES" class="muted small full">
    {{ MOST_AVERAGES }} at the most: the next takes the place of the oldest.
  </p>
</template>

<style scoped>
.chosen {
  padding: 1px 4px 1px 8px;
  border: 1px solid var(--rule-strong);
  border-radius: 10px;
}

.drop {
  padding: 0 4px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}

.weights {
  width: 170px;
}

.multiples {
  margin-left: auto;
}

.full {
  margin: 0;
}
</style>
