<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '~/api/client'
import { formatCount, formatDecimals, inReadersFigures } from '~/figures/format'
import { seasonLabel } from '~~/core/calendar/labels'
import { calendarOf } from '~~/core/calendar/calendar'
import type { Off } from '~~/core/check/verdict'
import { offWords } from '~~/core/check/words'
import type { MemberSeason } from '~~/core/groupSeason/groupSeason'
import type { MethodDocument } from '~~/core/method'
import type { TriedGroupSeason } from '~~/shared/api/groupSeason'
import type { Chosen } from '~~/shared/api/sums'
import type { Study } from '~~/shared/api/studies'
import { take } from './applying'
import { useShelf } from './shelfStore'
import { useTakingMany } from './takingMany'

/** The season that series have in common, and to which of them it is given: what it would have done is shown first. */
const props = defineProps<{ chosen: Chosen; called: string }>()
const shelf = useShelf()
const { isUnderWay, done, failure, takeEach } = useTakingMany()
const open = ref(false)
const tried = shallowRef<TriedGroupSeason | null>(null)
const ticked = shallowRef<ReadonlySet<number>>(new Set())

/** Ends what is under way when the dialog is closed: the server has nothing to try for nobody. */
let asked = new AbortController()
watch(open, (isOpen) => {
  if (!isOpen) asked.abort()
})

async function begin() {
  asked = new AbortController()
  const { signal } = asked
  open.value = true
  tried.value = null
  failure.value = ''
  try {
    const found = await api<TriedGroupSeason>('/group-seasons', {
      method: 'POST',
      body: { ...props.chosen, called: props.called },
      until: signal,
    })
    tried.value = found
    ticked.value = new Set(found.rows.flatMap(({ proposed, at }) => (proposed ? [at] : [])))
  } catch (error) {
    if (!signal.aborted) failure.value = (error as Error).message
  }
}

const rowOf = (at: number) => shelf.rows.find(({ id }) => id === tried.value!.studies[at]!.seriesId)
const bars = computed(() => {
  const { given } = tried.value!
  const row = rowOf(0)
  const calendar = row && calendarOf(row.frequency, row)
  const reach = Math.max(...given.map((index) => Math.abs(index - 1)), 1e-9)
  return given.map((index, i) => ({
    label: calendar ? seasonLabel(i + 1, calendar) : String(i + 1),
    figure: formatDecimals(index, 3),
    up: index >= 1,
    share: (100 * Math.abs(index - 1)) / reach,
  }))
})

/** Those that it is proposed to first, then those it cannot be told of, then the others. */
const ORDER = ['short', 'nearer', 'untold', 'as near', 'further'] as const
const rows = computed(() =>
  [...tried.value!.rows].sort((a, b) => ORDER.indexOf(a.says) - ORDER.indexOf(b.says)),
)
const WORDS: Record<MemberSeason['says'], string> = {
  short: 'too short for its own',
  nearer: 'the group’s is nearer',
  further: 'its own is nearer',
  'as near': 'no difference beyond chance',
  untold: 'too few origins to tell',
}
function off(value: Off | null, at: number): string {
  if (!value) return '–'
  if (value.in === 'percent') return `${formatDecimals(value.by, 1)}%`
  return inReadersFigures(offWords(value, rowOf(at)?.unit ?? ''))
}
function tick(at: number) {
  const next = new Set(ticked.value)
  if (!next.delete(at)) next.add(at)
  ticked.value = next
}

async function give() {
  const isThrough = await takeEach(
    ticked.value,
    async (at) => {
      const study = await api<Study>(`/studies/${tried.value!.studies[at]!.studyId}`)
      return take({ study }, tried.value!.rows[at]!.method as MethodDocument)
    },
    (count) =>
      `${count === 1 ? 'One series has' : `${formatCount(count)} series have`} the season of the group now.`,
  )
  if (isThrough) open.value = false
}
</script>

<template>
  <v-btn
    :data-tip="'The mean of their indices, weighted by size: for those too short or noisy for their own'"
    @click="begin()"
  >
    Season…
  </v-btn>
  <v-dialog v-model="open" max-width="820" aria-labelledby="group-season-title">
    <h2 id="group-season-title" class="serif dialog-title">
      The season of {{ called.slice(0, 80) }}
    </h2>
    <p v-if="failure" class="failure" role="alert">{{ inReadersFigures(failure) }}</p>
    <p v-else-if="!tried" class="muted" role="status">Trying it on every series…</p>
    <template v-if="tried">
      <p class="muted small">
        {{ inReadersFigures(tried.source) }}. Tried at up to 12 origins, each with what the series
        said by then.
      </p>
      <p v-if="tried.says" class="warned">{{ inReadersFigures(tried.says) }}</p>
      <ol v-if="tried.seasons <= 53" class="indices" aria-label="Indices of the group">
        <li v-for="bar in bars" :key="bar.label">
          <span class="bar"
            ><span :class="bar.up ? 'up' : 'down'" :style="{ height: `${bar.share / 2}%` }"
          /></span>
          <template v-if="tried.seasons <= 13">
            <span class="muted small">{{ bar.label }}</span>
            <span class="small number">{{ bar.figure }}</span>
          </template>
        </li>
      </ol>
      <div class="list">
        <v-table class="working-table">
          <thead>
            <tr class="head">
              <th scope="col"><span class="visually-hidden">give</span></th>
              <th scope="col">series</th>
              <th scope="col" class="number">periods</th>
              <th scope="col" class="number">off by, its own</th>
              <th scope="col" class="number">with the group’s</th>
              <th scope="col" />
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.at">
              <td>
                <v-checkbox-btn
                  :model-value="ticked.has(row.at)"
                  :disabled="row.method === null"
                  :aria-label="`Give it to ${row.name.slice(0, 200)}`"
                  @update:model-value="tick(row.at)"
                />
              </td>
              <th scope="row">{{ row.name.slice(0, 200) }}</th>
              <td class="number">{{ formatCount(row.periods) }}</td>
              <td class="number">{{ off(row.own, row.at) }}</td>
              <td class="number">{{ off(row.group, row.at) }}</td>
              <td class="says">
                {{ row.refused ? `refused: ${inReadersFigures(row.refused)}` : WORDS[row.says] }}
              </td>
            </tr>
          </tbody>
        </v-table>
      </div>
    </template>
    <p v-if="isUnderWay" class="muted" role="status">
      {{ formatCount(done) }} of {{ formatCount(ticked.size) }} series…
    </p>
    <p class="dialog-acts">
      <v-btn @click="open = false">Cancel</v-btn>
      <v-btn variant="flat" :disabled="!tried || isUnderWay || ticked.size === 0" @click="give()">
        Give it to {{ formatCount(ticked.size) }}
      </v-btn>
    </p>
  </v-dialog>
</template>

<style scoped>
.indices {
  display: flex;
  gap: 4px;
  margin: 8px 0 12px;
  padding: 0;
  list-style: none;
}

.indices li {
  display: flex;
  flex: 1 1 0;
  flex-direction: column;
  align-items: center;
}

.bar {
  position: relative;
  width: 100%;
  height: 64px;
  border-bottom: 0;
  background: linear-gradient(var(--rule), var(--rule)) center / 100% 1px no-repeat;
}

.bar span {
  position: absolute;
  right: 15%;
  left: 15%;
  background: var(--season);
}

.bar .up {
  bottom: 50%;
}

.bar .down {
  top: 50%;
}

.list {
  overflow-y: auto;
  max-height: 44vh;
}

.warned {
  color: var(--forecast-text);
}

.says {
  padding-left: 16px !important;
}

.failure {
  color: var(--danger);
}
</style>
