<script setup lang="ts">
import { computed } from 'vue'
import SmallPicture, { type SmallLine } from '~/bench/figures/SmallPicture.vue'
import { formatFigure, formatPeriodCode, inReadersFigures } from '~/figures/format'
import { AGREEMENT_NAMES } from '~~/core/addingUp/tried'
import { workingOf } from '~~/core/addingUp/working'
import { evaluate, write } from '~~/core/column/kinds/kinds'
import type { Value } from '~~/core/series/series'
import { useSums } from './sumsStore'

/** What is looked at: its values and both forecasts, period by period, and how one of them was made. */
const sums = useSums()
/** Cycles of seasons that the picture goes back. */
const CYCLES = 4

const label = (code: string) => formatPeriodCode(code, sums.added!.calendar)
const picture = computed(() => {
  const { values, own, agreed } = sums.node!
  const past = values.slice(-CYCLES * Math.max(own.length, 4))
  const behind = (list: readonly number[]): Value[] => [
    ...past.slice(0, -1).map(() => null),
    // Joined to the last value, so that the line does not begin in the air.
    past.at(-1) ?? null,
    ...list,
  ]
  const lines: SmallLine[] = [
    { kind: 'sales', values: [...past, ...own.map(() => null)] },
    { kind: 'limit', values: behind(own) },
    { kind: 'forecast', values: behind(agreed[sums.by]) },
  ]
  const all = lines.flatMap((line) => line.values).filter((value) => value !== null)
  return { lines, bounds: { low: Math.min(...all), high: Math.max(...all) } }
})
const steps = computed(() => workingOf(sums.added!, sums.place, sums.step, sums.by))
const members = computed(() => sums.membersOf(sums.place))
</script>

<template>
  <section
    v-if="sums.node"
    class="node"
    :aria-label="`Forecast of ${sums.node.name.slice(0, 200)}`"
  >
    <h2 class="serif name">{{ sums.node.name }}</h2>
    <p class="muted small">
      {{ sums.node.members.length > 0 ? `sum of ${sums.node.series.length} series` : 'a series' }} ·
      by itself: {{ sums.node.method }}
    </p>
    <SmallPicture
      :lines="picture.lines"
      :bounds="picture.bounds"
      :width="360"
      :height="120"
      :label="`Values of ${sums.node.name.slice(0, 100)}, its own forecast (thin) and the one made to agree (dashed)`"
    />
    <p class="muted small legend">
      grey: values · thin: by itself · dashed: {{ AGREEMENT_NAMES[sums.by] }} ·
      {{ formatFigure(picture.bounds.low) }} to {{ formatFigure(picture.bounds.high) }}
      {{ sums.added!.unit }}
    </p>
    <v-table class="working-table">
      <thead>
        <tr class="head">
          <th scope="col">period</th>
          <th scope="col" class="number">by itself</th>
          <th v-if="sums.node.members.length > 0" scope="col" class="number">its members</th>
          <th scope="col" class="number">{{ AGREEMENT_NAMES[sums.by] }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(code, h) in sums.added!.ahead" :key="code" :class="{ chosen: h === sums.step }">
          <th scope="row">{{ label(code) }}</th>
          <td class="number">{{ formatFigure(sums.node.own[h]!) }}</td>
          <td v-if="sums.node.members.length > 0" class="number">
            {{ formatFigure(members[h]!) }}
          </td>
          <td class="number">
            <v-btn
              variant="plain"
              class="figure"
              :aria-pressed="h === sums.step"
              :aria-label="`How ${label(code)} was made`"
              @click="sums.step = h"
            >
              {{ formatFigure(sums.node.agreed[sums.by][h]!) }}
            </v-btn>
          </td>
        </tr>
      </tbody>
    </v-table>
    <div class="working" role="group" aria-label="Working">
      <p class="muted small">
        {{ label(sums.added!.ahead[sums.step]!) }}, {{ AGREEMENT_NAMES[sums.by] }}
      </p>
      <template v-for="(step, i) in steps" :key="i">
        <p class="small">{{ inReadersFigures(step.says) }}:</p>
        <p class="formula muted">{{ write(step.expression) }}</p>
        <p class="formula">
          {{ write(step.expression, formatFigure) }} =
          <strong>{{ formatFigure(evaluate(step.expression)) }}</strong>
        </p>
      </template>
    </div>
  </section>
</template>

<style scoped>
.name {
  font-size: 16px;
  overflow-wrap: anywhere;
}

p {
  margin: 2px 0;
}

.legend {
  margin-bottom: 8px;
}

.figure {
  padding: 0;
  color: var(--forecast-text);
  font: inherit;
  font-weight: 600;
}

.chosen {
  background: var(--band);
}

.working {
  margin-top: 12px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
}

.formula {
  font-size: 12px;
  font-variant-numeric: tabular-nums;
  overflow-wrap: anywhere;
}
</style>
