<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { adjustedValues } from '~~/core/series/adjusted'
import type { Value } from '~~/core/series/series'
import ForecastBesideActual from '../view/ForecastBesideActual.vue'
import OriginStepper from '../figures/OriginStepper.vue'
import SmallPicture, { type SmallLine } from '../figures/SmallPicture.vue'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { useOpenedRow } from './openedStore'

/** What a method of the contest would have said from one origin, beside what came. */
const bench = useBench()
const ledger = useLedger()
const opened = useOpenedRow()
const WIDTH = 460
const HEIGHT = 150
/** Years before the origin that are drawn. */
const YEARS_BEFORE = 3
const FEWEST_BEFORE = 12

const limits = computed(() => {
  const [level] = Object.keys(opened.tried?.limits ?? {}).sort((a, b) => Number(b) - Number(a))
  return level === undefined ? null : { ...opened.tried!.limits[level]!, level: Number(level) }
})
const picture = computed(() => {
  const { origin, forecast } = opened.tried!
  const { seasons } = bench.series!.calendar
  const first = Math.max(1, origin - Math.max(YEARS_BEFORE * seasons, FEWEST_BEFORE) + 1)
  const values = adjustedValues(bench.series!).slice(first - 1, origin + forecast.length)
  const ahead = (own: readonly Value[]): Value[] => [
    ...values.slice(0, origin - first + 1).map(() => null),
    ...own,
  ]
  const lines: SmallLine[] = [
    { kind: 'sales', values },
    ...(limits.value
      ? [
          { kind: 'limit' as const, values: ahead(limits.value.lower) },
          { kind: 'limit' as const, values: ahead(limits.value.upper) },
        ]
      : []),
    { kind: 'forecast', values: ahead(forecast) },
  ]
  const all = lines.flatMap((line) => line.values).filter((value) => value !== null)
  return { lines, bounds: { low: Math.min(...all), high: Math.max(...all) } }
})
</script>

<template>
  <p v-if="opened.failed" class="refused" role="alert">{{ inReadersFigures(opened.failed) }}</p>
  <p v-else-if="!opened.tried" class="muted small" role="status">Making its forecasts again…</p>
  <section
    v-else
    class="origin"
    :aria-label="`Forecast from ${ledger.labelAt(opened.tried.origin)}`"
  >
    <div>
      <p class="line">
        <OriginStepper
          :origin="ledger.labelAt(opened.tried.origin)"
          :is-first="opened.place === 0"
          :is-last="opened.place === opened.tries.length - 1"
          @step="opened.place += $event"
        />
        <span class="muted small">{{ opened.place + 1 }} of {{ opened.tries.length }} origins</span>
        <v-btn
          class="small"
          :disabled="opened.place === opened.worst"
          @click="opened.place = opened.worst"
        >
          furthest off
        </v-btn>
      </p>
      <SmallPicture
        :lines="picture.lines"
        :bounds="picture.bounds"
        :width="WIDTH"
        :height="HEIGHT"
        label="The forecast, dashed, with its limits, beside what came"
      />
    </div>
    <div>
      <ForecastBesideActual
        :origin="opened.tried.origin"
        :forecast="opened.tried.forecast"
        :actual="opened.tried.actual"
        :limits="limits"
        limits-of="of the model"
      />
    </div>
  </section>
</template>

<style scoped>
.origin {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 24px;
  padding: 8px 0 14px;
  font-weight: 400;
}

p {
  margin: 0 0 6px;
}

.line {
  display: flex;
  gap: 12px;
  align-items: center;
}

.refused {
  color: var(--danger);
}
</style>
