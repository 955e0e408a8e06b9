<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { api } from '~/api/client'
import { REASONS, type Reason } from '~~/core/catalogue/attention'
import { useNotices } from '~/shell/noticeStore'
import { MOST_TOGETHER, type Chosen } from '~~/shared/api/sums'
import { later } from '~/shell/later'
import SaveMenu from './SaveMenu.vue'
import { useRun } from './runStore'
import { useShelf } from './shelfStore'

/** Works series through on the server: begins it, says how far it is, has it wait or end; then what there is to look at. */
const GroupSeason = later(() => import('./GroupSeason.vue'))
const RunDialog = later(() => import('./RunDialog.vue'))
const shelf = useShelf()
const work = useRun()
const isPlanning = ref(false)
const isNaming = ref(false)
const name = ref('')
onMounted(() => void work.look())
onBeforeUnmount(() => work.leave())

/** Those that are selected, else those that are shown, where these are not all. */
const ids = computed(() => {
  if (shelf.selected.size > 0) return [...shelf.selected]
  return shelf.shown.length < shelf.rows.length ? shelf.shown.map(({ id }) => id) : undefined
})
const those = computed(() => {
  if (shelf.selected.size > 0) return `the ${shelf.selected.size.toLocaleString('en')} selected`
  const { length } = ids.value ?? shelf.rows
  return `${ids.value ? 'the' : 'all'} ${length.toLocaleString('en')}${ids.value ? ' shown' : ' series'}`
})
/** Those as they are worked on together; null where they are one, or more than can be waited for. */
const together = computed<Chosen | null>(() => {
  const count = ids.value?.length ?? shelf.rows.length
  if (count < 2 || count > MOST_TOGETHER) return null
  const isGroup = shelf.group !== null && !shelf.isNarrowed
  if (shelf.selected.size === 0 && isGroup) return { group: shelf.group! }
  return ids.value ? { ids: [...ids.value] } : {}
})
/** What they are called where their season is said to come from. */
const called = computed(
  () => together.value?.group || `${(ids.value ?? shelf.rows).length.toLocaleString('en')} series`,
)
/** The way to their sum: a group stands in the address; ids are too long for one, and stay with the page. */
const adding = computed(() => {
  const { group, ids: own } = together.value ?? {}
  if (own) return { path: '/sums', query: { these: null }, state: { ids: own } }
  return { path: '/sums', query: group === undefined ? {} : { group } }
})
const share = computed(() => {
  const { run } = work
  return run && run.of > 0 ? (100 * run.done) / run.of : 0
})
const timeLeft = computed(() => {
  const seconds = work.run?.left ?? null
  if (seconds === null) return ''
  return seconds < 90 ? `${Math.ceil(seconds)} s left` : `${Math.ceil(seconds / 60)} min left`
})

/** Stands for all reasons in the list. */
const ANY = 'any'
const REASON_NAMES: Record<Reason, string> = {
  refused: 'refused',
  mistyped: 'typed wrongly?',
  ended: 'ends before the others',
  stopped: 'nothing any more',
  'outside-limits': 'outside the limits',
  'level-step': 'level changed',
  worse: 'worse than without method',
  'forecast-change': 'forecast far from last year',
}
const reasons = [
  { value: ANY, title: 'any reason' },
  ...REASONS.map((value) => ({ value, title: REASON_NAMES[value] })),
]

/** With more than this of one's own, nobody needs invented ones. */
const FEW = 200
const isAdding = ref(false)

async function addDemo() {
  isAdding.value = true
  try {
    await api('/catalogue/demo', { method: 'POST' })
  } catch (error) {
    useNotices().show({ text: (error as Error).message })
  }
  await shelf.load()
  isAdding.value = false
}

function keepAll() {
  isNaming.value = false
  const task = { kind: 'keep' as const, name: name.value.trim() }
  void work.begin({ task, ...(ids.value ? { ids: ids.value } : {}) })
}
</script>

<template>
  <div class="run" role="group" aria-label="Work over many series">
    <template v-if="work.isOver">
      <template v-if="shelf.shown.length > 0 || shelf.selected.size > 0">
        <span class="those">{{ those[0]!.toUpperCase() + those.slice(1) }}:</span>
        <v-btn
          :data-tip="'A forecast, a verdict and what to look at for each'"
          @click="isPlanning = true"
        >
          Work through…
        </v-btn>
        <form v-if="isNaming" class="naming" @submit.prevent="keepAll">
          <v-text-field
            v-model="name"
            autofocus
            required
            maxlength="200"
            placeholder="name, as December 2026"
            aria-label="Name of the kept forecasts"
            @keydown.esc="isNaming = false"
          />
          <v-btn variant="flat" type="submit" :disabled="name.trim() === ''">Keep</v-btn>
        </form>
        <v-btn v-else :data-tip="'To be judged later, when values come'" @click="isNaming = true">
          Keep forecasts…
        </v-btn>
        <SaveMenu v-if="shelf.rows.some(({ worked }) => worked)" />
        <template v-if="together">
          <v-btn
            :to="adding"
            :data-tip="'Forecasts of these series and of their sums, made to agree'"
          >
            Add up
          </v-btn>
          <GroupSeason :chosen="together" :called="called" />
        </template>
      </template>
      <template v-if="shelf.toLookAt.length > 0 || shelf.onlyToLookAt">
        <v-btn
          color="accent"
          :aria-pressed="shelf.onlyToLookAt"
          class="to-look-at"
          @click="shelf.showToLookAt(!shelf.onlyToLookAt)"
        >
          {{
            shelf.onlyToLookAt
              ? 'Show all series'
              : `${shelf.toLookAt.length.toLocaleString('en')} to look at`
          }}
        </v-btn>
        <v-select
          v-if="shelf.onlyToLookAt"
          class="reasons"
          aria-label="Reason"
          :items="reasons"
          :model-value="shelf.reason ?? ANY"
          @update:model-value="shelf.reason = $event === ANY ? null : $event"
        />
      </template>
      <v-btn
        v-if="shelf.rows.length < FEW"
        class="demo muted"
        :disabled="isAdding"
        :data-tip="'Invented, one in ten with something to look at; to try this with'"
        @click="addDemo"
      >
        {{ isAdding ? 'adding…' : 'Add 2,000 articles of the demo' }}
      </v-btn>
      <span
        v-if="shelf.toLookAt.length === 0 && shelf.rows.some(({ worked }) => worked)"
        class="muted"
      >
        nothing to look at
      </span>
    </template>
    <RunDialog v-if="isPlanning" v-model="isPlanning" :ids="ids" :those="those" />
    <template v-if="!work.isOver">
      <v-progress-linear :model-value="share" class="bar" aria-label="How far it is" />
      <span class="far" role="status">
        {{ work.run!.task.kind === 'keep' ? 'keeping' : 'working through' }}:
        {{ work.run!.done.toLocaleString('en') }} of {{ work.run!.of.toLocaleString('en')
        }}{{ work.run!.state === 'paused' ? ' done, waiting' : timeLeft && `, ${timeLeft}` }}
      </span>
      <v-btn v-if="work.run!.state === 'running'" @click="work.set('paused')">Pause</v-btn>
      <v-btn v-else color="accent" @click="work.set('running')">Go on</v-btn>
      <v-btn :data-tip="'What is done is kept'" @click="work.set('ended')">Stop</v-btn>
    </template>
  </div>
</template>

<style scoped>
.run {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  min-height: 40px;
  margin-bottom: 8px;
}

.reasons {
  flex: 0 0 220px;
}

.demo {
  margin-left: auto;
}

.those {
  font-weight: 600;
}

.naming {
  display: flex;
  gap: 8px;
}

.naming .v-text-field {
  width: 240px;
}

.bar {
  flex: none;
  width: 220px;
}

.far {
  min-width: 240px;
  font-variant-numeric: tabular-nums;
}
</style>
