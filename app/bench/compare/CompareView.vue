<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { navigateTo } from '#app'
import TermWord from '~/shell/TermWord.vue'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { differencesOf, haveSameIndices, type Compared } from '../pins/comparison'
import { useCompared } from './compared'
import { bestOf, comparedFigures, readsTheSame } from './figures'
import IndexRows from './IndexRows.vue'
import { comparisonWords } from './meaning'
import { namesOf } from '../pins/names'
import PastForecastRows from './PastForecastRows.vue'
import { usePastForecasts } from './pastForecastStore'
import PictureRows from './PictureRows.vue'
import { comparedPictures } from './pictures'
import { usePins } from '../pins/pinStore'
import { useStudies } from '../studies/studiesStore'

/** Width of the names of the rows. */
const FIRST_COLUMN = 'min(236px, 34vw)'
const bench = useBench()
const ledger = useLedger()
const pins = usePins()
const studies = useStudies()

const { methods, results, titles } = useCompared()
const differences = computed(() => differencesOf(results.value))

const names = computed(() => namesOf(results.value))

const past = usePastForecasts()
watch(
  () => methods.value.map(({ document }) => document),
  (documents) => documents.length > 0 && past.ask(documents),
  { immediate: true },
)

const pictures = computed(() => (results.value.length > 0 ? comparedPictures(results.value) : []))
const figures = computed(() => comparedFigures(ledger.scale, results.value))
const sameIndices = computed(() => haveSameIndices(results.value))
/** What is the same in all methods is folded into one line, until it is asked for. */
const unfolded = ref(false)
const same = computed(() => [
  ...pictures.value.filter(({ isSame }) => isSame).map(({ title }) => uncapitalized(title)),
  ...figures.value.filter((line) => readsTheSame(line, results.value)).map(({ name }) => name),
  ...(sameIndices.value ? ['indices'] : []),
])
const shownPictures = computed(() =>
  pictures.value.filter(({ isSame }) => unfolded.value || !isSame),
)
const shownFigures = computed(() =>
  figures.value.filter((line) => unfolded.value || !readsTheSame(line, results.value)),
)

const meaning = computed(() => {
  const did = past.of(methods.value.length)
  return comparisonWords(
    results.value.map((result, i) => ({ name: names.value[i]!, result, past: did[i]! })),
    ledger.scale,
  )
})

function uncapitalized(words: string): string {
  return words[0]!.toLowerCase() + words.slice(1)
}

/** A pin stays as it is; as a study it goes on. */
async function makeStudy({ document }: Compared) {
  const id = await studies.add(document)
  if (id) await navigateTo(`/study/${id}`)
}

function use(one: Compared) {
  pins.comparing = false
  void bench.change(one.document)
}
</script>

<template>
  <section class="compare" aria-label="Methods side by side">
    <header class="view-head">
      <h2 class="serif">Methods side by side</h2>
      <span class="actions">
        <v-btn color="accent" @click="pins.compareModels()">
          additive, multiplicative and robust loess
        </v-btn>
        <v-btn @click="pins.clear()">unpin all</v-btn>
        <v-btn variant="flat" @click="pins.comparing = false"> Back to the Bench </v-btn>
      </span>
    </header>
    <p v-for="one in pins.refused" :key="one.name" class="refused" role="alert">
      <strong>{{ one.name }}</strong> is refused: {{ one.because }}
    </p>
    <p v-if="methods.length === 0" class="muted" role="status">
      {{
        pins.refused.length > 0 ? 'Nothing is left to compare.' : 'Calculating the three models…'
      }}
    </p>
    <p v-if="meaning" class="meaning">{{ meaning }}</p>
    <div v-if="methods.length > 0" class="scroll">
      <v-table :style="{ minWidth: `calc(${FIRST_COLUMN} + ${methods.length * 200}px)` }">
        <colgroup>
          <col :style="{ width: FIRST_COLUMN }" />
          <col v-for="(one, i) in methods" :key="i" />
        </colgroup>
        <thead>
          <tr>
            <th scope="col" class="muted small">
              <template v-if="ledger.scale.unit">all in {{ ledger.scale.unit }}, </template>on equal
              scales
            </th>
            <th v-for="(one, i) in methods" :key="i" scope="col" class="method">
              <span class="name">{{ titles[i] }}</span>
              <span class="small acts">
                <span v-if="one.pin === null" class="muted">on the Bench, not pinned</span>
                <template v-else>
                  <v-btn color="accent" class="small" @click="use(one)"> use this method </v-btn>
                  <v-btn class="small" @click="makeStudy(one)"> make it a study </v-btn>
                  <v-btn class="small" @click="pins.remove(one.pin)"> unpin </v-btn>
                </template>
              </span>
            </th>
          </tr>
        </thead>
        <PastForecastRows class="figures-body" :results="results" />
        <PictureRows :pictures="shownPictures" :results="results" :titles="titles" />
        <tbody v-if="shownFigures.length > 0" class="figures-body">
          <tr v-for="line in shownFigures" :key="line.name">
            <th scope="row">
              <TermWord v-if="line.term" :of="line.term">{{ line.name }}</TermWord>
              <template v-else>{{ line.name }}</template>
            </th>
            <td
              v-for="(result, i) in results"
              :key="i"
              :class="{ best: bestOf(line, results).has(result) }"
            >
              {{ line.text(result) }}
            </td>
          </tr>
        </tbody>
        <IndexRows v-if="unfolded || !sameIndices" class="figures-body" :results="results" />
        <tbody v-if="differences.length > 0" class="figures-body words">
          <tr>
            <th scope="rowgroup"><strong>Where they differ</strong></th>
            <td v-for="(one, i) in methods" :key="i" />
          </tr>
          <tr v-for="line in differences" :key="line.what">
            <th scope="row">{{ line.what }}</th>
            <td v-for="(word, i) in line.words" :key="i">{{ word ?? '–' }}</td>
          </tr>
        </tbody>
        <tbody v-if="same.length > 0" class="figures-body">
          <tr class="same">
            <td :colspan="1 + methods.length">
              The same in all: {{ same.join('; ') }}.
              <v-btn class="small" :aria-pressed="unfolded" @click="unfolded = !unfolded">
                {{ unfolded ? 'leave these out' : 'show these too' }}
              </v-btn>
            </td>
          </tr>
        </tbody>
      </v-table>
      <p v-if="methods.length === 1" class="muted">
        One method alone: change it on the Bench, or compare the three models.
      </p>
    </div>
  </section>
</template>

<style scoped>
.compare {
  padding: 12px 20px 24px;
}

.refused {
  margin: 8px 0 0;
  padding: 6px 10px;
  border-left: 3px solid var(--danger);
  background: var(--band);
}

.meaning {
  margin: 8px 0 0;
}

.scroll {
  overflow-x: auto;
}

.v-table {
  --cell: 3px 12px 3px 0;

  margin-top: 10px;
}

.v-table :deep(table) {
  table-layout: fixed;
}

th,
.v-table :deep(th) {
  font-weight: 400;
  text-align: left;
  vertical-align: baseline;
}

.figures-body :deep(td) {
  vertical-align: baseline;
}

.v-table .same td {
  padding-left: 0 !important;
  border-left: 0;
}

.method {
  padding: 0 12px 6px !important;
}

.acts {
  display: flex;
  gap: 6px;
}

.name {
  display: block;
  font-family: var(--serif);
  font-size: 15px;
  font-weight: 600;
}

td,
.v-table :deep(td) {
  padding: 3px 12px !important;
  border-left: 1px solid var(--rule);
}

.figures-body :deep(tr:first-child > *) {
  border-top: 1px solid var(--rule-strong);
}

.figures-body :deep(td) {
  font-variant-numeric: tabular-nums;
}

.words td {
  overflow-wrap: anywhere;
}

.best {
  font-weight: 700;
}
</style>
