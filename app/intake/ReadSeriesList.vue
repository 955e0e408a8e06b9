<script setup lang="ts">
import { countPeriods, periodLabel } from '~~/core/calendar/labels'
import { periodAt } from '~~/core/calendar/period'
import type { Series } from '~~/core/series'
import SmallChart from '~/shelf/SmallChart.vue'
import { useIntake } from './intakeStore'

const intake = useIntake()

function span({ calendar, start, values }: Series): string {
  const label = (t: number) => periodLabel(periodAt(start, t, calendar.seasons), calendar)
  return `${label(1)} – ${label(values.length)}`
}

function count({ calendar, values }: Series): string {
  const missing = values.filter((value) => value === null).length
  return `${countPeriods(values.length, calendar)}, ${missing === 0 ? 'none missing' : `${missing} missing`}`
}
</script>

<template>
  <ul class="series">
    <li v-for="(candidate, i) in intake.candidates" :key="candidate.column">
      <input
        v-if="intake.candidates.length > 1"
        v-model="candidate.wanted"
        type="checkbox"
        :aria-label="`Keep ${candidate.name}`"
      />
      <div class="body">
        <div class="fields">
          <label class="field">
            <span class="small muted">name</span>
            <input v-model="candidate.name" class="text-input name" maxlength="10000" dir="auto" />
          </label>
          <label class="field">
            <span class="small muted">unit</span>
            <input
              v-model="candidate.unit"
              class="text-input unit"
              maxlength="200"
              placeholder="litres, euros…"
              :aria-describedby="`span-${i}`"
            />
          </label>
          <SmallChart :values="candidate.series.values" />
        </div>
        <p :id="`span-${i}`" class="muted small">
          {{ candidate.series.calendar.frequency }}, {{ span(candidate.series) }},
          {{ count(candidate.series) }}; from column {{ candidate.column + 1 }}
        </p>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.series {
  margin: 12px 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}

.fields {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 10px;
}

.field {
  display: flex;
  flex-direction: column;
}

.name {
  width: 200px;
}

.unit {
  width: 110px;
}

.body p {
  margin: 5px 0 0;
}
</style>
