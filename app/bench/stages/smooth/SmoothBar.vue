<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatFigure } from '~/figures/format'
import { figuresIn } from '~/figures/typedFigures'
import { besideColumn } from '~~/core/beside/besideColumn'
import { Refusal } from '~~/core/refusal'
import { averageName } from '~~/core/smoothing/averageKinds'
import { useBench } from '../../study/benchStore'
import { averageFrom, YEARLY_ORDER, type Written } from './averageChoices'
import { useBeside } from '../../beside/besideStore'
import { MOST_AVERAGES } from '~~/shared/api/desk'

const bench = useBench()
const beside = useBeside()

// A field hands on what was typed as text.
const by = ref<Written['by']>('order')
const order = ref<number | string>(
  bench.series!.calendar.seasons < 2 ? YEARLY_ORDER : bench.series!.calendar.seasons,
)
const p = ref<number | string>(3)
const q = ref<number | string>(3)
const length = ref<number | string>(13)
/** As they are typed, each kind with weights of its own. */
const weights = ref({ weights: '1/4 1/2 1/4', 'trailing-weights': '3 2 1' })
const WEIGHTS_SAY = {
  weights: 'Weights, separated by spaces; they sum to 1',
  'trailing-weights': 'Weights, the newest period’s first, separated by spaces',
} as const
const problem = ref('')
const KINDS: readonly { value: Written['by']; title: string }[] = [
  { value: 'order', title: 'a centred average of' },
  { value: 'composite', title: 'an average of an average,' },
  { value: 'trailing', title: 'a trailing average of' },
  { value: 'spencer', title: 'Spencer’s 15 terms' },
  { value: 'henderson', title: 'Henderson’s average of' },
  { value: 'weights', title: 'own weights, centred' },
  { value: 'trailing-weights', title: 'own weights, trailing' },
]

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
    case 'trailing-weights':
      return { by: by.value, weights: weights.value[by.value] }
    case 'spencer':
      return { by: by.value }
  }
}

/** What is done with what was written, said before it is added. */
const hint = computed(() => (by.value === 'trailing-weights' ? dividing() : centring()))

/** The newest period's weight stands first; a sum other than 1 is divided by. */
function dividing(): string {
  const sum = figuresIn(weights.value['trailing-weights']).reduce(
    (total, weight) => total + weight,
    0,
  )
  const order = 'The newest period’s weight stands first'
  return sum > 0 && Math.abs(sum - 1) > 1e-9
    ? `${order}; they sum to ${formatFigure(sum)}, and each is divided by that.`
    : `${order}.`
}

/** Why an even number of terms takes a second average. */
function centring(): string {
  const terms = Number(order.value)
  if (by.value !== 'order' || !(terms >= 2) || terms % 2 !== 0) return ''
  return `${terms} terms have no middle period, so a second average of two centres them: 2×${terms}.`
}

function add() {
  const kind = averageFrom(written())
  try {
    besideColumn(bench.shown!, { kind: 'average', by: kind })
    beside.compare(kind)
    problem.value = ''
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    problem.value = error.because
  }
}
</script>

<template>
  <form class="line" @submit.prevent="add">
    <span class="pair">
      compare
      <v-select v-model="by" aria-label="Kind of average" :items="KINDS" />
    </span>
    <span v-if="by === 'order' || by === 'trailing'" class="pair">
      <v-text-field v-model="order" class="terms" type="number" min="1" aria-label="Terms" />
      terms
    </span>
    <span v-if="by === 'composite'" class="pair">
      <v-text-field v-model="p" class="terms" type="number" aria-label="Terms of the second" />
      ×
      <v-text-field v-model="q" class="terms" type="number" aria-label="Terms of the first" />
    </span>
    <span v-if="by === 'henderson'" class="pair">
      <v-text-field v-model="length" class="terms" type="number" step="2" aria-label="Terms" />
      terms
    </span>
    <span v-if="by === 'weights' || by === 'trailing-weights'" class="pair">
      <v-text-field v-model="weights[by]" class="weights" :aria-label="WEIGHTS_SAY[by]" />
    </span>
    <v-btn color="accent" type="submit">add</v-btn>
    <span v-for="kind in beside.averages" :key="JSON.stringify(kind)" class="chosen">
      {{ averageName(kind) }}
      <v-btn
        variant="plain"
        class="drop"
        :aria-label="`Leave out ${averageName(kind)}`"
        @click="beside.drop(kind)"
      >
        ×
      </v-btn>
    </span>
    <v-btn
      class="multiples"
      :aria-pressed="beside.showsMultiples"
      @click="beside.showsMultiples = !beside.showsMultiples"
    >
      {{ beside.showsMultiples ? 'one strip' : 'small pictures of all orders' }}
    </v-btn>
  </form>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <p v-else-if="hint" class="muted small full">{{ hint }}</p>
  <p v-else-if="beside.averages.length === MOST_AVERAGES" class="muted small full">
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

.terms {
  width: 66px;
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
