<script setup lang="ts">
import { computed } from 'vue'
import { formatChange, formatFigure } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { seasonLabel } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { namesTakenOut } from '~~/core/prepare/prepare'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { listed } from '~~/core/words/listed'
import NamedBars from '../../figures/NamedBars.vue'
import SmallPicture, { type SmallLine } from '../../figures/SmallPicture.vue'
import { useAfterwards } from '../../study/afterwardsStore'
import { useLedger } from '../../view/ledgerStore'
import { useSelection } from '../../view/selectionStore'
import RunUnderWay from './RunUnderWay.vue'

/** How first figures were revised when later years came, and how one period moved as the series grew. */
const props = defineProps<{ result: Result }>()
const after = useAfterwards()
const ledger = useLedger()
const selection = useSelection()

const calendar = computed(() => calendarOfResult(props.result))
/** `without season`, `without season and calendar` */
const out = computed(
  () => `without ${listed(['season', ...namesTakenOut(props.result.takenOut?.found)])}`,
)
const isShare = computed(() => props.result.method.decompose.model === 'multiplicative')
/** How far something moved, whichever way: `1.2%`, `340 litres`. */
function moved(mean: Value): string {
  if (mean === null) return '–'
  if (isShare.value) return formatChange(mean, 2).replace('+', '')
  return [formatFigure(mean), props.result.series.unit].filter(Boolean).join(' ')
}

const revisions = computed(() => after.revisions.found)
const years = computed(() => (revisions.value?.periods.length ?? 0) / props.result.series.seasons)
const lines = computed<SmallLine[]>(() => {
  const periods = revisions.value?.periods ?? []
  return [
    { kind: 'deseasonalized', values: periods.map(({ last }) => last) },
    { kind: 'forecast', values: periods.map(({ first }) => first) },
  ]
})
const reach = computed(() => {
  const periods = revisions.value?.periods ?? []
  const name = (t: number | undefined) => (t === undefined ? '' : ledger.own?.run.label(t))
  return `${name(periods[0]?.t)} – ${name(periods.at(-1)?.t)}`
})
const seasons = computed(() => {
  const rows = revisions.value?.bySeason ?? []
  const most = Math.max(...rows.map(({ adjusted }) => adjusted ?? 0))
  return rows.map(({ adjusted }, k) => {
    const label = seasonLabel(k + 1, calendar.value)
    return {
      name: label.replace('season ', '').slice(0, 3),
      height: adjusted === null || most === 0 ? 0 : (100 * adjusted) / most,
      words: `${label}: ${moved(adjusted)} on average`,
    }
  })
})

const t = computed(() => selection.selected?.t ?? ledger.lastActual)
const period = computed(() => ledger.own?.run.label(t.value) ?? '')
const canGrow = computed(() => t.value < ledger.lastActual)
const history = computed(() => (after.history.found?.t === t.value ? after.history.found : null))
const path = computed<SmallLine[]>(() => [
  { kind: 'deseasonalized', values: history.value?.at.map(({ adjusted }) => adjusted) ?? [] },
])
const ends = computed(() => {
  const at = history.value?.at.filter(({ adjusted }) => adjusted !== null) ?? []
  return at.length < 2 ? null : ([at[0]!, at.at(-1)!] as const)
})

function boundsOf(all: readonly SmallLine[]) {
  const values = all.flatMap((one) => one.values).filter((value) => value !== null)
  return { low: Math.min(...values), high: Math.max(...values) }
}
</script>

<template>
  <section class="working-part">
    <h3><TermWord of="revision">Revisions</TermWord></h3>
    <template v-if="revisions">
      <p v-if="revisions.periods.length === 0" class="muted small">
        Nothing can be told: cut by a year, the series is too short for this method.
      </p>
      <template v-else>
        <p>
          First figures moved by {{ moved(revisions.adjusted) }} on average as later years came,
          over {{ years }} {{ years === 1 ? 'year' : 'years'
          }}<template v-if="revisions.trend"
            >; those of the trend-cycle by {{ moved(revisions.trend) }}</template
          >.
        </p>
        <SmallPicture
          :lines="lines"
          :bounds="boundsOf(lines)"
          :width="300"
          :height="90"
          :label="`Values ${out} as they were first, dashed, and as they are now`"
        />
        <p class="muted small">
          {{ reach }}, as they are now, and dashed as they were when their year was the last
        </p>
        <figure>
          <figcaption class="small muted">mean revision by season</figcaption>
          <NamedBars :bars="seasons" label="Mean revision by season" of="deseasonalized" />
        </figure>
      </template>
    </template>
    <RunUnderWay v-else :run="after.revisions" name="revisions">
      <p class="muted small">
        How far figures {{ out }} moved when later years came: the series is cut by one year after
        the other, and taken apart anew by what was known then.
      </p>
      <v-btn class="small" @click="after.revisions.begin()">Work out the revisions</v-btn>
    </RunUnderWay>

    <template v-if="canGrow">
      <h4>{{ period }} as the series grew</h4>
      <template v-if="history">
        <SmallPicture
          :lines="path"
          :bounds="boundsOf(path)"
          :width="300"
          :height="60"
          :label="`Value of ${period} ${out} with each further period`"
        />
        <p v-if="ends" class="small">
          {{ formatFigure(ends[0].adjusted!) }} with {{ ledger.own!.run.label(ends[0].end) }} the
          last period, {{ formatFigure(ends[1].adjusted!) }} with
          {{ ledger.own!.run.label(ends[1].end) }}.
        </p>
        <p v-else class="muted small">The series is too short before: it has no history.</p>
      </template>
      <RunUnderWay v-else :run="after.history" name="history">
        <v-btn class="small" @click="after.history.begin(t)">Show how {{ period }} moved</v-btn>
      </RunUnderWay>
    </template>
  </section>
</template>

<style scoped>
p {
  margin: 2px 0 6px;
}

h4 {
  margin: 10px 0 4px;
  font-size: 12px;
  font-weight: 600;
}

figure {
  margin: 0;
}
</style>
