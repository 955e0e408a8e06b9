<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals } from '~/figures/format'
import { countPeriods } from '~~/core/calendar/labels'
import { averageName, smoothBy, type AverageKind } from '~~/core/smoothing/averageKinds'
import { useBench } from '../../study/benchStore'
import { useLedger } from '../../view/ledgerStore'
import SmallPicture, { type SmallLine } from '../../figures/SmallPicture.vue'
import { ordersFor } from '~~/core/smoothing/ordersFor'
import { useBeside } from '../../beside/besideStore'

/** A small picture of every usual order, all on one scale, with what each loses and leaves. */
const WIDTH = 190
const HEIGHT = 74
const bench = useBench()
const ledger = useLedger()
const beside = useBeside()

const pictures = computed(() => {
  const { calendar } = bench.series!
  const values = bench.shown!.columns.value
  const present = values.filter((value) => value !== null)
  const bounds = { low: Math.min(...present), high: Math.max(...present) }
  return ordersFor(calendar.seasons)
    .filter((order) => order <= values.length)
    .map((order) => {
      const kind: AverageKind = { kind: 'centred', order }
      const smoothed = smoothBy(values, kind, calendar.seasons)
      const gain = Math.max(...smoothed.gain, 0)
      return {
        kind,
        name: order === 1 ? 'none' : averageName(kind),
        bounds,
        lines: [
          { kind: 'sales', values },
          { kind: 'trendCycle', values: smoothed.values },
        ] satisfies SmallLine[],
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
  <ul
    class="multiples"
    :aria-label="['Averages', ledger.scale.unit].filter((word) => word).join(' of ')"
  >
    <li v-for="picture in pictures" :key="picture.name">
      <v-btn
        :data-tip="`Compare ${picture.name} on one strip`"
        variant="plain"
        @click="(beside.compare(picture.kind), (beside.showsMultiples = false))"
      >
        <span class="name">{{ picture.name }}</span>
        <SmallPicture
          :lines="picture.lines"
          :bounds="picture.bounds"
          :width="WIDTH"
          :height="HEIGHT"
        />
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

.name,
.small {
  display: block;
}

.name {
  font-weight: 600;
}

.clean {
  color: var(--trend-cycle-text);
}
</style>
