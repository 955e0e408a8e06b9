<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { onePeriod } from '~~/core/calendar/labels'
import { wayOf } from '~~/core/decompose/ways'
import { isResult } from '~~/core/ledger/ledger'
import type { Looked, Result } from '~~/core/result'
import { averageName, smoothBy, type AverageKind } from '~~/core/smoothing/averageKinds'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { useBeside } from '../../beside/besideStore'

/** What every average on the strip costs at the ends and leaves of the season. */
const props = defineProps<{ result: Looked | Result }>()
const beside = useBeside()
const seasons = computed(() => props.result.series.seasons)
const per = computed(() => onePeriod(calendarOfResult(props.result)))

/** The average that the method works with, and those compared with it. */
const kinds = computed<readonly AverageKind[]>(() => {
  const own = ownAverage()
  const others = beside.averages.filter((one) => JSON.stringify(one) !== JSON.stringify(own))
  return own ? [own, ...others] : others
})
function ownAverage(): AverageKind | null {
  if (!isResult(props.result)) return null
  const { decompose } = props.result.method
  return wayOf(decompose.by).average(decompose, calendarOfResult(props.result))
}
const rows = computed(() =>
  kinds.value.map((kind) => {
    const { lost, gain, leavesSeason } = smoothBy(props.result.columns.value, kind, seasons.value)
    return {
      name: averageName(kind),
      lost: lost.start === lost.end ? `${lost.start} + ${lost.end}` : `${lost.start} at the start`,
      gains: gain.map((value) => formatDecimals(value, 2)),
      largest: gain.length === 0 ? 0 : Math.max(...gain),
      leavesSeason,
    }
  }),
)
const warned = computed(() => rows.value.filter(({ leavesSeason }) => leavesSeason))
const waves = computed(() =>
  Array.from({ length: Math.floor(seasons.value / 2) }, (_, k) => seasons.value / (k + 1)),
)
</script>

<template>
  <section v-if="rows.length > 0" class="smooth working-part">
    <h3>What an average costs and leaves</h3>
    <v-table>
      <thead>
        <tr>
          <th scope="col">average</th>
          <th scope="col" class="number">lost</th>
          <th v-if="seasons > 1" scope="col" class="number">
            <TermWord of="gain">leaves at most</TermWord>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row">{{ row.name }}</th>
          <td class="number">{{ row.lost }}</td>
          <td v-if="seasons > 1" class="number">{{ formatDecimals(row.largest * 100, 1) }}%</td>
        </tr>
      </tbody>
    </v-table>
    <p class="muted small">
      Lost: {{ per }}s without an average at the ends.<template v-if="seasons > 1">
        Leaves: the largest share of a seasonal wave that it lets through.</template
      >
    </p>
    <p v-for="row in warned" :key="row.name" class="warning">
      <strong>{{ row.name }}</strong> is no whole number of years: it still waves with the season,
      {{ formatDecimals(row.largest * 100, row.largest < 0.1 ? 1 : 0) }}% of a seasonal wave stays.
    </p>
    <v-expansion-panels v-if="seasons > 1">
      <v-expansion-panel title="Share left of each seasonal wave">
        <v-expansion-panel-text>
          <v-table>
            <thead>
              <tr>
                <th scope="col">{{ per }}s a wave</th>
                <th v-for="row in rows" :key="row.name" scope="col" class="number">
                  {{ row.name }}
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(wave, k) in waves" :key="k">
                <th scope="row">{{ formatDecimals(wave, Number.isInteger(wave) ? 0 : 1) }}</th>
                <td v-for="row in rows" :key="row.name" class="number">{{ row.gains[k] }}</td>
              </tr>
            </tbody>
          </v-table>
        </v-expansion-panel-text>
      </v-expansion-panel>
    </v-expansion-panels>
  </section>
</template>

<style scoped>
.v-table {
  --cell: 1px 0;

  margin-top: 4px;
}

th {
  font-weight: 400;
  text-align: left;
}

thead th {
  color: var(--muted);
  font-size: 11px;
}

th.number {
  text-align: right;
}

p {
  margin: 4px 0 0;
}

.warning {
  padding-left: 8px;
  border-left: 2px solid var(--danger);
  font-size: 12px;
}
</style>
