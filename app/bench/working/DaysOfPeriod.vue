<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals } from '~/figures/format'
import { WEEKDAYS } from '~~/core/calendar/civil'
import type { CountedDay, CountedDays } from '~~/core/prepare/calendar/countedDays'

/** A period as a calendar has it, with the days marked that its effect counts. */
const props = defineProps<{ days: CountedDays }>()

const MONTH = new Intl.DateTimeFormat('en', { month: 'long', timeZone: 'UTC' })
function nameOf(month: number): string {
  return MONTH.format(Date.UTC(2000, month - 1, 1))
}
const isAny = computed(() =>
  props.days.months.some(({ weeks }) =>
    weeks.flat().some((day) => day !== null && day.counts !== 0),
  ),
)
const against = computed(() => [
  ...new Set(
    props.days.months
      .flatMap(({ weeks }) => weeks.flat())
      .flatMap((day) => (day && day.counts < 0 ? [day.counts] : [])),
  ),
])
function markOf(day: CountedDay | null): string {
  if (!day || day.counts === 0) return ''
  return day.counts > 0 ? 'counted' : 'against'
}
function saidOf(day: CountedDay): string | undefined {
  return day.counts === 0
    ? undefined
    : `counts ${formatDecimals(day.counts, day.counts % 1 ? 1 : 0)}`
}
</script>

<template>
  <figure class="days-of-period">
    <table v-for="{ year, month, weeks, weekdays } in days.months" :key="month" class="small">
      <caption>
        {{
          nameOf(month)
        }}
        {{
          year
        }}
      </caption>
      <thead>
        <tr>
          <th v-for="name in WEEKDAYS" :key="name" scope="col" :abbr="name">
            {{ name.slice(0, 2) }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(week, i) in weeks" :key="i">
          <td v-for="(day, at) in week" :key="at">
            <span v-if="day" class="day" :class="markOf(day)" :title="saidOf(day)">
              {{ day.date }}
            </span>
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td v-for="(count, at) in weekdays" :key="at">×{{ count }}</td>
        </tr>
      </tfoot>
    </table>
    <figcaption v-if="isAny" class="muted small">
      <span class="day counted">1</span> counted<template v-if="against.length > 0"
        >, <span class="day against">1</span> against it<template v-if="against[0] !== -1">
          with {{ formatDecimals(-against[0]!, 1) }}</template
        ></template
      >
    </figcaption>
    <figcaption v-else-if="days.says" class="muted small">
      No day of {{ days.says }} lies here.
    </figcaption>
  </figure>
</template>

<style scoped>
.days-of-period {
  margin: 10px 0 0;
}

table {
  margin-bottom: 6px;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
}

caption {
  padding-bottom: 2px;
  color: var(--muted);
  text-align: left;
}

th {
  color: var(--muted);
  font-weight: 400;
}

th,
td {
  width: 30px;
  height: 24px;
  padding: 0;
  text-align: center;
}

tfoot td {
  border-top: 1px solid var(--rule);
  color: var(--muted);
}

.day {
  display: inline-block;
  min-width: 22px;
  border: 1px solid transparent;
  border-radius: 4px;
  text-align: center;
}

.counted {
  background: var(--accent);
  color: var(--sheet);
}

.against {
  border-color: var(--accent);
  border-style: dashed;
}
</style>
