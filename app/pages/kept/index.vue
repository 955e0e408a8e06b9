<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useHead } from '#app'
import { formatDay, formatDecimals, formatPeriodCode, inReadersFigures } from '~/figures/format'
import ApartTable from '~/kept/ApartTable.vue'
import { fetchKept } from '~/kept/keptApi'
import { recordOf } from '~/kept/record'
import PageHead from '~/shell/PageHead.vue'
import TermWord from '~/shell/TermWord.vue'
import type { Off } from '~~/core/check/verdict'
import { offWords } from '~~/core/check/words'
import { withinNarrowest } from '~~/core/kept/judge'
import type { KeptRow } from '~~/shared/api/kept'

/** Every kept forecast and how it did, the worst first; two of one series are told apart. */
useHead({ title: 'Kept forecasts · Elvant' })
const rows = shallowRef<readonly KeptRow[] | null>(null)
const failure = ref('')
const search = ref('')

async function load() {
  failure.value = ''
  try {
    rows.value = await fetchKept()
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

/** Rows drawn at the most. */
const MOST_ROWS = 500
const found = computed(() => {
  const wanted = search.value.trim().toLocaleLowerCase()
  return (rows.value ?? []).filter(({ series, name, note }) =>
    [series, name, note].some((text) => text.toLocaleLowerCase().includes(wanted)),
  )
})
const shown = computed(() =>
  found.value.slice(0, MOST_ROWS).map((row) => ({ row, says: recordOf(row) })),
)
const needing = computed(
  () => (rows.value ?? []).filter(({ judged }) => judged.need !== null).length,
)

/** The two that are laid beside each other, in the order of their choice. */
const chosen = shallowRef<readonly KeptRow[]>([])
function choose(row: KeptRow) {
  const others = chosen.value.filter(({ id }) => id !== row.id)
  if (others.length < chosen.value.length) chosen.value = others
  else chosen.value = [...others.filter((one) => one.seriesId === row.seriesId), row].slice(-2)
}
/** The older one first. */
const pair = computed(() => {
  if (chosen.value.length < 2) return null
  const [before, after] = [...chosen.value].sort((a, b) => (a.createdAt < b.createdAt ? -1 : 1))
  return { before: before!, after: after! }
})

function off(value: Off | null, { unit }: KeptRow): string {
  if (!value) return '–'
  // To one decimal, so that a column of them lines up.
  return value.in === 'percent'
    ? `${formatDecimals(value.by, 1)}%`
    : inReadersFigures(offWords(value, unit))
}
function within({ judged }: KeptRow): string {
  const held = withinNarrowest(judged)
  return held ? `${held.inside} of ${held.of} (${held.level}%)` : '–'
}
</script>

<template>
  <PageHead>
    <template #actions><v-btn to="/">To the shelf</v-btn></template>
  </PageHead>
  <main class="list-page">
    <div class="title-line">
      <h1 class="serif">Kept forecasts</h1>
      <v-text-field
        v-if="(rows?.length ?? 0) > 0"
        v-model="search"
        type="search"
        class="search"
        placeholder="Search"
        aria-label="Search kept forecasts by series, name or note"
      />
      <p v-if="rows && rows.length > 0" class="muted count" role="status">
        {{ rows.length }} kept<template v-if="needing > 0"
          >, {{ needing }} to look at again</template
        >; the worst first
      </p>
    </div>
    <div v-if="failure" role="alert">
      <p>{{ failure }}</p>
      <v-btn variant="flat" @click="load()">Try again</v-btn>
    </div>
    <p v-else-if="rows === null" class="muted" role="status">Looking…</p>
    <div v-else-if="rows.length === 0" class="empty">
      <p class="serif lead">No forecast is kept yet.</p>
      <p>
        Open a series and press Keep: values, method, assumptions and figures are frozen under a
        name. When newer values come, this page says how each forecast did.
      </p>
      <v-btn to="/" variant="flat">To the shelf</v-btn>
    </div>
    <template v-else>
      <ApartTable v-if="pair" :before="pair.before" :after="pair.after" />
      <p v-else-if="chosen.length === 1" class="muted small">
        Choose another forecast of {{ chosen[0]!.series }} to see what lies between them.
      </p>
      <div class="rows-frame">
        <v-table class="working-table">
          <thead>
            <tr class="head">
              <th scope="col"><span class="visually-hidden">compare</span></th>
              <th scope="col">series</th>
              <th scope="col">forecast</th>
              <th scope="col">kept</th>
              <th scope="col">periods</th>
              <th scope="col" class="number">came</th>
              <th scope="col" class="number">off by</th>
              <th scope="col" class="number">no method</th>
              <th scope="col" class="number">no hand</th>
              <th scope="col" class="number">within limits</th>
              <th scope="col" class="number"><TermWord of="trackingSignal">tracking</TermWord></th>
              <th scope="col">to look at</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ row, says } in shown" :key="row.id">
              <td>
                <v-checkbox-btn
                  :model-value="chosen.some(({ id }) => id === row.id)"
                  :aria-label="`compare ${row.name} of ${row.series}`"
                  @update:model-value="choose(row)"
                />
              </td>
              <th scope="row" class="name">
                <NuxtLink :to="`/study/${row.studyId}`">{{ row.series }}</NuxtLink>
              </th>
              <td class="name">
                <NuxtLink :to="`/kept/${row.id}`" :data-tip="row.note.slice(0, 300) || undefined">{{
                  row.name
                }}</NuxtLink>
                <span v-if="row.isAgreed" class="agreed small"> agreed</span>
              </td>
              <td class="day">{{ formatDay(row.createdAt) }}</td>
              <td class="day">
                {{ formatPeriodCode(row.from, row.calendar) }} –
                {{ formatPeriodCode(row.to, row.calendar) }}
              </td>
              <td class="number">{{ row.judged.came }} of {{ row.judged.periods.length }}</td>
              <td class="number">{{ off(row.judged.off, row) }}</td>
              <td class="number">{{ off(row.judged.benchmark.off, row) }}</td>
              <td class="number">{{ off(row.judged.statistical, row) }}</td>
              <td class="number">{{ within(row) }}</td>
              <td class="number">
                {{ row.judged.tracking === null ? '–' : formatDecimals(row.judged.tracking, 1) }}
              </td>
              <td>
                <strong v-if="says.need" class="need">{{ says.need }}</strong>
                <span v-else-if="says.leaning" class="muted">{{ says.leaning }}</span>
              </td>
            </tr>
          </tbody>
        </v-table>
      </div>
      <p v-if="found.length > MOST_ROWS" class="muted">
        … and {{ found.length - MOST_ROWS }} more. Search to find them.
      </p>
      <p class="muted small">
        Off by: mean absolute error of the periods that have come, in per cent of what came. No
        method: the same of repeating last year. No hand: of the statistical forecast, where it was
        bent. Tracking: cumulative error in mean absolute errors, from five periods on.
      </p>
    </template>
  </main>
</template>

<style scoped>
.rows-frame {
  margin-top: 12px;
}

.rows-frame :deep(table) {
  min-width: 1040px;
}

.name {
  max-width: 220px;
  overflow-wrap: anywhere;
}

.day {
  white-space: nowrap;
}

.agreed {
  color: var(--accent);
  font-weight: 600;
}

.need {
  color: var(--forecast-text);
}
</style>
