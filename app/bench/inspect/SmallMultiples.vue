<script setup lang="ts">
import { computed } from 'vue'
import { smallPath } from '~/shelf/smallPath'
import { formatDecimals } from '~/figures/format'
import { countPeriods } from '~~/core/calendar/labels'
import { averageName, smoothBy, type AverageKind } from '~~/core/smoothing/averageKinds'
import { useBench } from '../benchStore'
import { useView } from '../viewStore'
import { ordersFor } from './averageChoices'
import { useInspection } from './inspectionStore'

/** A small picture of every usual order, all on one scale, with what each loses and leaves. */
const WIDTH = 190
const HEIGHT = 74
const bench = useBench()
const view = useView()
const inspection = useInspection()

const pictures = computed(() => {
  const { calendar } = bench.series!
  const values = bench.shown!.columns.value
  const present = values.filter((value) => value !== null)
  const bounds = { low: Math.min(...present), high: Math.max(...present), columns: true }
  return ordersFor(calendar.seasons)
    .filter((order) => order <= values.length)
    .map((order) => {
      const kind: AverageKind = { kind: 'centred', order }
      const smoothed = smoothBy(values, kind, calendar.seasons)
      const gain = Math.max(...smoothed.gain, 0)
      return {
        kind,
        name: order === 1 ? 'none' : averageName(kind),
        sales: smallPath(values, WIDTH, HEIGHT, bounds),
        average: smallPath(smoothed.values, WIDTH, HEIGHT, bounds),
        lost:
          smoothed.lost.start === 0
            ? 'nothing lost'
            : `${countPeriods(smoothed.lost.start, calendar)} lost at each end`,
        leaves:
          smoothed.gain.length === 0
            ? ''
            : smoothed.leavesSeason
              ? `leaves up to ${formatDecimals(gain * 100, gain < 0.1 ? 1 : 0)}% of a seasonal wave`
              : 'takes the season out whole',
        isClean: !smoothed.leavesSeason,
      }
    })
})
</script>

<template>
  <ul class="multiples" :aria-label="`Averages of ${view.scale.unit}`">
    <li v-for="picture in pictures" :key="picture.name">
      <v-btn
        variant="plain"
        :title="`Compare ${picture.name} on one strip`"
        @click="(inspection.compare(picture.kind), (inspection.showsMultiples = false))"
      >
        <span class="name">{{ picture.name }}</span>
        <svg
          :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
          preserveAspectRatio="none"
          :height="HEIGHT"
          aria-hidden="true"
        >
          <path :d="picture.sales" class="sales" />
          <path :d="picture.average" class="average" />
        </svg>
        <span class="small" :class="picture.isClean ? 'clean' : 'muted'">{{ picture.leaves }}</span>
        <span class="small muted">{{ picture.lost }}</span>
      </v-btn>
    </li>
  </ul>
</template>

<style scoped>
.multiples {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 12px 16px;
  margin: 0;
  padding: 8px 12px 12px;
  list-style: none;
}

button {
  display: block;
  width: 100%;
  padding: 4px 0 6px;
  border: 0;
  border-top: 1px solid var(--rule-strong);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

button:hover {
  background: var(--band);
}

button > span {
  display: block;
}

.name {
  font-weight: 600;
}

svg {
  display: block;
  width: 100%;
}

path {
  fill: none;
  vector-effect: non-scaling-stroke;
}

.sales {
  stroke: var(--original);
  stroke-width: 0.8;
  opacity: 0.4;
}

.average {
  stroke: var(--trend-cycle);
  stroke-width: 2;
}

.clean {
  color: var(--trend-cycle-text);
}
</style>
