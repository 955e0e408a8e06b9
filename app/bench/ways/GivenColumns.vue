<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatPeriodCode, inReadersFigures } from '~/figures/format'
import { figuresIn } from '~/figures/typedFigures'
import { onePeriod } from '~~/core/calendar/labels'
import { axisOf } from '~~/core/calendar/axis'
import { spanOf } from '~~/core/completeMethod'
import type { Method } from '~~/core/method'
import type { GivenColumn } from '~~/core/regression/regressors/givenOptions'
import { useTriedChange } from '../controls/triedChange'
import { useBench } from '../study/benchStore'

/** Columns of one's own, with their future: typed or pasted, one figure a period. */
const props = defineProps<{ method: Method; given: readonly GivenColumn[] }>()
const bench = useBench()
const { problem, change } = useTriedChange()
const name = ref('')
const text = ref('')
const figures = computed(() => figuresIn(text.value))

/** The first analysed period, and how many there are with those to come. */
const asked = computed(() => {
  const series = bench.series!
  const { firstT, lastT } = spanOf(props.method, series)
  const code = axisOf(series).codeAt(firstT)
  const { horizon } = props.method.forecast
  return { code, span: lastT - firstT + 1, horizon, count: lastT - firstT + 1 + horizon }
})
const per = computed(() => onePeriod(bench.series!.calendar))
const from = computed(() => formatPeriodCode(asked.value.code, bench.series!.calendar))
const wanting = computed(() => {
  const count = figures.value.length
  if (count === 0) return ''
  const wrong = figures.value.findIndex((figure) => !Number.isFinite(figure))
  if (wrong >= 0) return `Figure ${wrong + 1} is no number.`
  return count < asked.value.count ? `${count} of ${asked.value.count} figures.` : ''
})
const canAdd = computed(
  () => name.value.trim() !== '' && figures.value.length > 0 && wanting.value === '',
)

function add() {
  if (!canAdd.value) return
  const column = { name: name.value.trim(), from: asked.value.code, values: figures.value }
  // The same name again is the same column with other figures.
  const others = props.given.filter((one) => one.name !== column.name)
  change({ forecast: { given: [...others, column] } })
  if (problem.value === '') name.value = text.value = ''
}

function takeOut(column: GivenColumn) {
  change({ forecast: { given: props.given.filter((one) => one !== column) } })
}

function startFrom(column: GivenColumn) {
  name.value = column.name
  text.value = column.values.join('\n')
}
</script>

<template>
  <div class="given named-list">
    <h4>Columns of your own</h4>
    <p class="muted small">
      A price, households, advertising: one figure a {{ per }} from {{ from }} on,
      {{ asked.span }} of the span and {{ asked.horizon }} to come.
    </p>
    <div v-for="column in given" :key="column.name" class="row">
      <span class="grow">
        <strong>{{ column.name }}</strong> {{ column.values.length }} figures from
        {{ formatPeriodCode(column.from, bench.series!.calendar) }}
      </span>
      <v-btn :aria-label="`change ${column.name}`" @click="startFrom(column)">change</v-btn>
      <v-btn color="accent" :aria-label="`take out ${column.name}`" @click="takeOut(column)">
        take out
      </v-btn>
    </div>
    <form class="new" @submit.prevent="add">
      <v-text-field
        v-model="name"
        aria-label="Name of the column"
        placeholder="name"
        maxlength="80"
      />
      <v-textarea
        v-model="text"
        aria-label="Figures of the column"
        placeholder="paste its figures"
        rows="3"
        maxlength="400000"
      />
      <v-btn color="accent" type="submit" :disabled="!canAdd">Add</v-btn>
    </form>
    <p v-if="wanting" class="muted small" role="status">{{ wanting }}</p>
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
  </div>
</template>

<style scoped>
.given {
  margin-top: 10px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
}

h4 {
  margin: 0;
  font-size: 12px;
  font-weight: 600;
}

.new .v-textarea {
  flex: 1;
  min-width: 200px;
}
</style>
