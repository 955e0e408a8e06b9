<script setup lang="ts">
import { computed, ref } from 'vue'
import { onePeriod } from '~~/core/calendar/labels'
import { completeDecomposition } from '~~/core/decompose/loess/options'
import type { LoessMethod, MethodDocument } from '~~/core/method'
import { completeMethod } from '~~/core/completeMethod'
import { Refusal } from '~~/core/refusal'
import { useBench } from '../benchStore'

/** Every parameter of robust loess, each changed at once: what it does is seen behind this sheet. */
defineEmits<{ done: [] }>()
const bench = useBench()
type Choices = NonNullable<MethodDocument['decompose']>

const per = computed(() => onePeriod(bench.series!.calendar))
/** As the method was last run; while a wish is refused, what the wish's rest comes to. */
const shown = computed<LoessMethod>(() => {
  const run = bench.result?.method.decompose
  if (run?.by === 'stl') return run
  const { model, exclude } = bench.method.decompose ?? {}
  return completeDecomposition(
    { by: 'stl', ...(model ? { model } : {}), ...(exclude ? { exclude } : {}) },
    {
      model: 'additive',
      periods: bench.series!.values.length,
      seasons: bench.series!.calendar.seasons,
    },
  ) as LoessMethod
})
const wished = computed<Choices>(() => bench.method.decompose ?? {})
const seasonMode = computed(() => (shown.value.seasonalWindow === 'periodic' ? 'same' : 'free'))

/** What was wished and is refused; the method stays as it is. */
const problem = ref('')

function change(decompose: Choices) {
  const wish = { ...bench.method, decompose }
  try {
    completeMethod(wish, bench.series!)
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    problem.value = error.because
    return
  }
  problem.value = ''
  void bench.change(wish)
}

function set(choices: Choices) {
  change({ ...wished.value, ...choices })
}

function setNumber(key: 'seasonalWindow' | 'trendWindow' | 'lowPassWindow' | 'inner' | 'outer') {
  return (event: Event) => {
    const { value: text, min, max } = event.target as HTMLInputElement
    const value = Number(text)
    // What a window may be the core says, in its own words; how many passes there may be is said here.
    const fits = max === '' || (value >= Number(min) && value <= Number(max))
    if (Number.isInteger(value) && value >= 0 && fits) set({ [key]: value })
    else problem.value = `This must be a whole number${max === '' ? '' : ` from ${min} to ${max}`}.`
  }
}

function setDegree(key: 'seasonalDegree' | 'trendDegree' | 'lowPassDegree') {
  return (event: Event) => set({ [key]: Number((event.target as HTMLSelectElement).value) })
}

function usual() {
  const { model, exclude } = wished.value
  change({ by: 'stl', ...(model ? { model } : {}), ...(exclude ? { exclude } : {}) })
}

/** Passes go with the choice of outliers, unless they are chosen too. */
function setRobust(event: Event) {
  const { inner: _, outer: __, ...rest } = wished.value
  change({ ...rest, robust: (event.target as HTMLInputElement).checked })
}
</script>

<template>
  <form class="form" @submit.prevent="$emit('done')">
    <fieldset>
      <legend>The season</legend>
      <label>
        <input
          type="radio"
          name="season"
          :checked="seasonMode === 'free'"
          @change="set({ seasonalWindow: 13 })"
        />
        may change; smoothed over
        <input
          type="number"
          class="text-input"
          min="7"
          step="2"
          aria-label="Years of the season’s window"
          :disabled="seasonMode === 'same'"
          :value="seasonMode === 'same' ? '' : (wished.seasonalWindow ?? shown.seasonalWindow)"
          @change="setNumber('seasonalWindow')($event)"
        />
        years
      </label>
      <label>
        <input
          type="radio"
          name="season"
          :checked="seasonMode === 'same'"
          @change="set({ seasonalWindow: 'periodic' })"
        />
        is the same every year
      </label>
    </fieldset>
    <fieldset>
      <legend>The trend-cycle</legend>
      <label>
        smoothed over
        <input
          type="number"
          class="text-input"
          min="3"
          step="2"
          :aria-label="`${per}s of the trend’s window`"
          :value="wished.trendWindow ?? shown.trendWindow"
          @change="setNumber('trendWindow')($event)"
        />
        {{ per }}s
      </label>
    </fieldset>
    <fieldset>
      <legend>Outliers</legend>
      <label>
        <input type="checkbox" :checked="shown.robust" @change="setRobust" />
        give values that stand far off less weight
      </label>
    </fieldset>
    <details>
      <summary class="small">All parameters</summary>
      <div class="all">
        <label>
          low-pass window, {{ per }}s
          <input
            type="number"
            class="text-input"
            min="3"
            step="2"
            :value="wished.lowPassWindow ?? shown.lowPassWindow"
            @change="setNumber('lowPassWindow')($event)"
          />
        </label>
        <label
          v-for="[key, name] in [
            ['seasonalDegree', 'season'],
            ['trendDegree', 'trend'],
            ['lowPassDegree', 'low pass'],
          ] as const"
          :key="key"
        >
          local fit of the {{ name }}
          <select class="text-input" :value="shown[key]" @change="setDegree(key)($event)">
            <option :value="0">a level</option>
            <option :value="1">a line</option>
          </select>
        </label>
        <label>
          inner passes
          <input
            type="number"
            class="text-input"
            min="1"
            max="10"
            :value="shown.inner"
            @change="setNumber('inner')($event)"
          />
        </label>
        <label>
          outer passes, forming weights
          <input
            type="number"
            class="text-input"
            min="0"
            max="50"
            :value="shown.outer"
            @change="setNumber('outer')($event)"
          />
        </label>
      </div>
    </details>
    <p v-if="problem" class="refused" role="alert">{{ problem }}</p>
    <p class="ends">
      <button type="button" class="plain-button strong" @click="usual">usual values</button>
      <button type="submit" class="solid-button">Done</button>
    </p>
  </form>
</template>

<style scoped>
.form {
  min-width: 340px;
  max-width: 460px;
  padding: 12px 16px 14px;
}

fieldset {
  margin: 0 0 8px;
  padding: 0;
  border: 0;
}

legend {
  margin-bottom: 2px;
  padding: 0;
  font-weight: 600;
}

label {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 30px;
}

.text-input {
  width: 68px;
  padding: 3px 6px;
}

summary {
  cursor: pointer;
}

.all label {
  justify-content: space-between;
}

.all .text-input {
  width: 84px;
}

.refused {
  margin: 6px 0 0;
  color: var(--danger);
}

.ends {
  display: flex;
  justify-content: space-between;
  margin: 10px 0 0;
}
</style>
