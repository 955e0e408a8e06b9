<script setup lang="ts">
import { computed } from 'vue'
import TermWord from '~/shell/TermWord.vue'
import { oneCycle, onePeriod } from '~~/core/calendar/labels'
import { benchmarkSays } from '~~/core/forecast/benchmarks'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { useBench } from '../../study/benchStore'
import { useLedger } from '../../view/ledgerStore'
import { useCheck } from '../../check/checkStore'

/** Errors by horizon beside those of the nearest benchmark, and what the limits held of what they promise. */
const props = defineProps<{ result: Result }>()
const bench = useBench()
const check = useCheck()
const ledger = useLedger()

const checked = computed(() => check.checked!)
const cycle = computed(() => oneCycle(bench.series!.calendar))
const per = computed(() => onePeriod(bench.series!.calendar))
const best = computed(() => checked.value.verdict?.benchmarks[0]?.which ?? null)
const rows = computed(() => {
  const { method, benchmarks, coverage } = checked.value
  const other = best.value === null ? null : benchmarks[best.value]!
  const largest = Math.max(
    ...method.byHorizon.map(({ mae }) => mae ?? 0),
    ...(other?.byHorizon ?? []).map(({ mae }) => mae ?? 0),
  )
  const share = (value: Value) => (largest > 0 ? `${(100 * (value ?? 0)) / largest}%` : '0')
  return method.byHorizon.map(({ h, count, mae }, i) => {
    const theirs = other?.byHorizon[i]?.mae ?? null
    return {
      ...{ h, count, mae, theirs, width: share(mae), theirWidth: share(theirs) },
      held: coverage.map(({ level, inUse }) => ({
        level,
        share: inUse.byHorizon[i]?.share ?? null,
      })),
    }
  })
})
const ofPastErrors = computed(() => props.result.method.forecast.limits === 'past-errors')

function percent(share: Value): string {
  return share === null ? '–' : `${Math.round(100 * share)}%`
}
</script>

<template>
  <section class="working-part">
    <h3>Errors by horizon</h3>
    <p class="muted small">
      <TermWord of="mae">Mean absolute error</TermWord
      ><template v-if="ledger.scale.unit"> in {{ ledger.scale.unit }}</template
      ><template v-if="best">, beside {{ benchmarkSays(best, cycle) }} (pale)</template>; the share
      of what came that the limits held<template v-if="ofPastErrors"
        >, made of errors known by then</template
      >.
    </p>
    <v-table class="working-table">
      <caption class="visually-hidden">
        Errors and coverage by horizon
      </caption>
      <thead>
        <tr class="head">
          <th scope="col">{{ per }}s</th>
          <th scope="col" class="number">tries</th>
          <th scope="col" class="number">error</th>
          <th scope="col" class="bars"><span class="visually-hidden">drawn</span></th>
          <th v-for="level in checked.levels" :key="level" scope="col" class="number">
            {{ level }}%
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.h">
          <th scope="row">{{ row.h }}</th>
          <td class="number">{{ row.count }}</td>
          <td class="number">{{ ledger.onScale(row.mae) }}</td>
          <td
            class="bars"
            :data-tip="`${ledger.onScale(row.mae)}; ${best ? benchmarkSays(best, cycle) : ''} ${ledger.onScale(row.theirs)}`"
          >
            <span class="bar" :style="{ width: row.width }" />
            <span v-if="best" class="bar theirs" :style="{ width: row.theirWidth }" />
          </td>
          <td v-for="one in row.held" :key="one.level" class="number">{{ percent(one.share) }}</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">all</th>
          <td class="number">{{ checked.method.pooled.count }}</td>
          <td class="number">{{ ledger.onScale(checked.method.pooled.mae) }}</td>
          <td />
          <td v-for="one in checked.coverage" :key="one.level" class="number">
            {{ percent(one.inUse.pooled.share) }}
          </td>
        </tr>
      </tfoot>
    </v-table>
  </section>
</template>

<style scoped>
.bars {
  width: 72px;
  vertical-align: middle;
}

.bar {
  display: block;
  height: 5px;
  border-radius: 1px;
  background: var(--forecast);
}

.theirs {
  height: 3px;
  margin-top: 1px;
  background: var(--rule-strong);
}

tfoot td,
tfoot th {
  border-top: 1px solid var(--rule);
  font-weight: 600 !important;
}
</style>
