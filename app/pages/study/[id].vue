<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { later } from '~/shell/later'
import { useHead, useRoute } from '#app'
import AboutSeries from '~/bench/study/AboutSeries.vue'
import LookAtNote from '~/bench/study/LookAtNote.vue'
import GatherMenu from '~/bench/study/GatherMenu.vue'
import StudyTabs from '~/bench/studies/StudyTabs.vue'
import { useStudies } from '~/bench/studies/studiesStore'
import { useBench } from '~/bench/study/benchStore'
import { usePins } from '~/bench/pins/pinStore'
import { useKept } from '~/bench/kept/keptStore'
import { useContest } from '~/bench/contest/contestStore'
import HandOverMenu from '~/bench/handover/HandOverMenu.vue'
import BenchFrame from '~/bench/plane/BenchFrame.vue'
import { useKeptView } from '~/bench/view/keptViewStore'
import { useShortcuts } from '~/bench/plane/shortcuts'
import { useViewHistory } from '~/bench/plane/viewHistory'
import TimePlane from '~/bench/plane/TimePlane.vue'
import { useSelection } from '~/bench/view/selectionStore'
import WorkingPanel from '~/bench/working/WorkingPanel.vue'
import PageHead from '~/shell/PageHead.vue'
import { exclusionsOf } from '~~/core/method'
import { countPeriods } from '~~/core/calendar/labels'
import { axisOf } from '~~/core/calendar/axis'

// Loaded when they are first wanted.
const BenchTour = later(() => import('~/bench/tour/BenchTour.vue'))
const CompareView = later(() => import('~/bench/compare/CompareView.vue'))
const ContestView = later(() => import('~/bench/contest/ContestView.vue'))
const KeepDialog = later(() => import('~/bench/kept/KeepDialog.vue'))
const DerivedNote = later(() => import('~/bench/study/DerivedNote.vue'))
const ConflictDialog = later(() => import('~/bench/study/ConflictDialog.vue'))

const route = useRoute()
const bench = useBench()
const selection = useSelection()
const pins = usePins()
const contest = useContest()
const keptView = useKeptView()
const kept = useKept()
const studies = useStudies()
/** Whether the name of a forecast to be kept is asked for. */
const isKeeping = ref(false)
useShortcuts()
useViewHistory()

function compare() {
  contest.isOpen = false
  void pins.show()
}

async function open(id: string) {
  // What was on the Bench before is with the server first: the page may be drawn anew over the same study.
  await Promise.all([bench.save(), keptView.layAside()])
  await bench.open(id)
  selection.reset()
  contest.reset()
  await keptView.takeUp()
  await Promise.all([studies.load(), kept.load()])
}
watch(
  () => route.params.id,
  (id) => typeof id === 'string' && void open(id),
  { immediate: true },
)

const about = computed(() => {
  const { series } = bench
  if (!series) return ''
  const { values } = series
  const { calendar, label } = axisOf(series)
  const missing = values.filter((value) => value === null).length
  const leftOut = [
    (series.adjustments ?? []).filter(({ value }) => value === null).length,
    bench.result ? exclusionsOf(bench.result.method).length : 0,
  ] as const
  return [
    `${label(1)} – ${label(values.length)}`,
    `${countPeriods(values.length, calendar)}${missing > 0 ? `, ${missing} missing` : leftOut[0] > 0 ? '' : ', none missing'}`,
    ...(leftOut[0] > 0 ? [`${leftOut[0]} left out`] : []),
    ...(leftOut[1] > 0 ? [`${leftOut[1]} left out of the indices`] : []),
  ].join(' · ')
})

const SAVE_WORDS = {
  saved: 'Saved',
  waiting: 'Saving…',
  saving: 'Saving…',
  failed: 'Not saved',
} as const

useHead({ title: computed(() => (bench.series ? `${bench.series.name} · Elvant` : 'Elvant')) })

/** What is not saved yet is sent while the page is leaving. */
function saveNow() {
  void bench.save({ keepalive: true })
  void keptView.keep({ keepalive: true })
}
/** What the server has not taken stays in the browser; still, nobody should leave it without knowing. */
function askBeforeLeaving(event: BeforeUnloadEvent) {
  if (bench.saving === 'failed') event.preventDefault()
}
onMounted(() => {
  addEventListener('pagehide', saveNow)
  addEventListener('beforeunload', askBeforeLeaving)
})
onBeforeUnmount(() => {
  removeEventListener('beforeunload', askBeforeLeaving)
  removeEventListener('pagehide', saveNow)
  saveNow()
})
</script>

<template>
  <BenchFrame opening="Opening the study…" :back="{ to: '/', text: 'To the shelf' }">
    <template #head>
      <PageHead>
        <template v-if="bench.state === 'ready'">
          <div class="names"><AboutSeries /><StudyTabs /></div>
          <p class="muted small about">
            <DerivedNote v-if="bench.study?.derived" :derived="bench.study.derived" />{{
              bench.series?.unit || 'no unit stated'
            }}
            ·
            <template v-if="bench.series?.calendar.frequency === 'seasons'"
              >{{ bench.series.calendar.seasons }} seasons a year</template
            >
            <GatherMenu v-else />
            · {{ about }}
          </p>
        </template>
        <template v-if="bench.state === 'ready'" #actions>
          <span class="saving muted small" role="status">
            {{ SAVE_WORDS[bench.saving]
            }}<template v-if="bench.saving === 'failed' && bench.isKeptNowhere"
              >, and kept nowhere but in this page</template
            >
            <v-btn
              v-if="bench.saving === 'failed' && !bench.conflict"
              :data-tip="bench.saveFailure"
              color="accent"
              @click="bench.save()"
            >
              Try again
            </v-btn>
          </span>
          <v-btn class="undo" :disabled="!bench.canUndo" @click="bench.undo()"> Undo </v-btn>
          <v-btn :disabled="!bench.canRedo" @click="bench.redo()"> Redo </v-btn>
          <v-btn
            :data-tip="'Keep this result to compare with (P)'"
            :aria-pressed="pins.isPinned"
            :disabled="!bench.result"
            class="pin"
            @click="pins.toggle()"
          >
            {{ pins.isPinned ? 'Unpin' : 'Pin' }}
          </v-btn>
          <v-btn
            data-tip="Freeze this forecast under a name, to be judged by what comes"
            :disabled="!bench.result"
            @click="isKeeping = true"
          >
            Keep
          </v-btn>
          <v-btn
            :data-tip="
              pins.pins.length === 0
                ? 'Additive, multiplicative and robust loess side by side (C)'
                : 'Pinned methods side by side (C)'
            "
            :disabled="!bench.series"
            @click="compare()"
          >
            Compare{{ pins.pins.length > 0 ? ` ${pins.pins.length}` : '' }}
          </v-btn>
          <v-btn
            data-tip="Methods forecasting from the same past origins, ranked (T)"
            :disabled="!bench.result"
            @click="contest.show()"
          >
            Contest
          </v-btn>
          <HandOverMenu />
        </template>
      </PageHead>
      <ConflictDialog v-if="bench.conflict" />
      <KeepDialog v-if="isKeeping" v-model="isKeeping" />
    </template>
    <template #note><LookAtNote /><BenchTour /></template>
    <ContestView v-if="contest.isOpen" class="across" />
    <CompareView v-else-if="pins.comparing" class="across" />
    <template v-else>
      <TimePlane />
      <WorkingPanel />
    </template>
  </BenchFrame>
</template>

<style scoped>
.across {
  grid-column: span 2;
}

/* The tabs stand beside the name as long as there is room. */
.names {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 20px;
  min-width: 0;
}

.about {
  overflow: hidden;
  margin: 0;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.saving {
  align-self: center;
}

@media (width < 980px) {
  .about {
    white-space: normal;
  }
}
</style>
