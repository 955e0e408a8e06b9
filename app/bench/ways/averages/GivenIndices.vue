<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatFigure, inReadersFigures } from '~/figures/format'
import { seasonLabel } from '~~/core/calendar/labels'
import { exclusionsOf, type Method } from '~~/core/method'
import { useBench } from '../../study/benchStore'
import { typedIndices } from './givenIndices'
import { useTriedChange } from '../../controls/triedChange'

/** Indices from elsewhere in place of those of the series: typed or pasted, with where they come from. */
const props = defineProps<{ method: Method }>()
const emit = defineEmits<{ done: [] }>()
const bench = useBench()
const { problem, change } = useTriedChange()

const calendar = computed(() => bench.series!.calendar)
const model = computed(() => props.method.decompose.model)
const now = computed(() =>
  'indices' in props.method.decompose ? props.method.decompose.indices : null,
)
const text = ref(now.value?.given.join('\n') ?? '')
const source = ref(now.value?.source ?? '')
const typed = computed(() => typedIndices(text.value, model.value))
const leavesOut = computed(() => exclusionsOf(props.method).length > 0)
/** As many lines as there are seasons, and whatever was written beyond. */
const lines = computed(() => {
  const { given } = typed.value
  const count = Math.max(given.length, calendar.value.seasons)
  return Array.from({ length: count }, (_, i) => ({
    label: i < calendar.value.seasons ? seasonLabel(i + 1, calendar.value) : 'one too many',
    figure: given[i],
  }))
})
const isComplete = computed(
  () =>
    typed.value.given.length === calendar.value.seasons &&
    typed.value.given.every(Number.isFinite) &&
    source.value.trim() !== '',
)
const wanting = computed(() => {
  const { given } = typed.value
  const { seasons } = calendar.value
  if (given.length === 0)
    return `Write ${seasons} figures, ${seasonLabel(1, calendar.value)} first.`
  if (!given.every(Number.isFinite)) return 'One of the figures is no number.'
  if (given.length !== seasons) return `${given.length} of ${seasons} figures.`
  return source.value.trim() === '' ? 'Say where they come from.' : ''
})

/** Figures belong to the model they were written for: it is named with them. */
function take() {
  if (!isComplete.value) return
  const indices = { given: typed.value.given, source: source.value.trim() }
  change({
    decompose: { model: model.value, indices, average: undefined, exclude: undefined },
  })
  if (problem.value === '') emit('done')
}

function average() {
  change({ decompose: { indices: undefined } })
  if (problem.value === '') emit('done')
}

/** The indices that stand, to be changed by hand. */
function startFromThese() {
  text.value = bench.result!.seasons.map(({ index }) => Number(index.toPrecision(6))).join('\n')
}

function textOf(figure: number | undefined): string {
  return figure === undefined || Number.isNaN(figure) ? '–' : formatFigure(figure)
}
</script>

<template>
  <form class="given-indices" @submit.prevent="take">
    <p class="muted small">
      Indices from elsewhere, such as a group of products, take the place of those of the series.
      <template v-if="leavesOut">
        Nothing is averaged then, so what is left out of it is put back; undo takes that back too.
      </template>
    </p>
    <div class="sides">
      <label>
        Indices, {{ seasonLabel(1, calendar) }} first
        <v-textarea v-model="text" rows="12" maxlength="20000" />
      </label>
      <div>
        As they are read
        <ol class="read" aria-label="As they are read">
          <li v-for="(line, i) in lines" :key="i">
            <span class="muted">{{ line.label }}</span>
            <span class="number">{{ textOf(line.figure) }}</span>
          </li>
        </ol>
      </div>
    </div>
    <v-btn
      v-if="bench.result && bench.result.seasons.length > 0"
      color="accent"
      @click="startFromThese"
    >
      start from the present ones
    </v-btn>
    <label class="source">
      Where they come from
      <v-text-field v-model="source" placeholder="group of exteriors, 2025" maxlength="200" />
    </label>
    <p class="muted small">
      {{ wanting || (typed.arePercent ? 'Read as per cent: 100 is no departure.' : '') }}
    </p>
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
    <p class="ends">
      <v-btn v-if="now" color="accent" @click="average">average the series instead</v-btn>
      <v-btn variant="flat" type="submit" :disabled="!isComplete">Take these</v-btn>
    </p>
  </form>
</template>

<style scoped>
.given-indices {
  width: 380px;
  padding: 12px 16px 14px;
}

p {
  margin: 0 0 6px;
}

.sides {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}

.read {
  max-height: 252px;
  margin: 0;
  padding: 7px 0;
  overflow-y: auto;
  list-style: none;
}

.read li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  font-size: 12px;
  line-height: 19.5px;
}

.number {
  font-variant-numeric: tabular-nums;
}

.source {
  display: block;
  margin: 8px 0 4px;
}

.refused {
  color: var(--danger);
}

.ends {
  display: flex;
  gap: 24px;
  justify-content: flex-end;
  margin: 10px 0 0;
}
</style>
