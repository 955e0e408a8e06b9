<script setup lang="ts">
import { computed } from 'vue'
import { formatChange, formatDecimals, formatP } from '~/figures/format'
import { WEEKDAYS } from '~~/core/calendar/civil'
import { onePeriod } from '~~/core/calendar/labels'
import { doWeekdaysDiffer } from '~~/core/seasonality/weekdayShares'
import { listed } from '~~/core/words/listed'
import { normalQuantile } from '~~/core/statistics/distributions'
import { useBench } from '../../study/benchStore'

/** How the days of the week differ that the periods of the series were added up from. */
const bench = useBench()
const LEVEL = 95

const weekdays = computed(() => bench.study?.source.weekdays ?? null)
const per = computed(() => onePeriod(bench.series!.calendar))
const rows = computed(() =>
  WEEKDAYS.map((name, i) => {
    const day = weekdays.value?.days[i] ?? null
    if (!day) return { name, says: 'closed', isLikeOthers: true }
    const reach = 100 * normalQuantile(LEVEL) * day.standardError
    const off = 100 * (day.share - 1)
    return {
      name,
      says: `${formatChange(off)} ± ${formatDecimals(reach, 1)}`,
      isLikeOthers: Math.abs(off) < reach,
    }
  }),
)
const differs = computed(() => weekdays.value !== null && doWeekdaysDiffer(weekdays.value))
/** The best and the weakest days, in words. */
const said = computed(() => {
  const open = WEEKDAYS.flatMap((name, i) => {
    const day = weekdays.value?.days[i]
    return day ? [{ name: `${name}s`, off: 100 * (day.share - 1) }] : []
  }).sort((a, b) => b.off - a.off)
  const [best, worst] = [open[0]!, open.at(-1)!]
  return listed([
    `${best.name} bring ${formatChange(best.off, 0)} against the mean day`,
    `${worst.name} ${formatChange(worst.off, 0)}`,
  ])
})
</script>

<template>
  <section v-if="weekdays" class="working-part">
    <h3>The days behind the {{ per }}s</h3>
    <p v-if="differs">{{ said }}: two {{ per }}s of one name differ by the weekdays they have.</p>
    <p v-else>The days of the week do not differ beyond chance.</p>
    <v-table class="working-table">
      <caption>
        Against the mean of the week around it, with its
        {{
          LEVEL
        }}% limits
      </caption>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row" :class="{ muted: row.isLikeOthers }">{{ row.name }}</th>
          <td class="number" :class="{ muted: row.isLikeOthers }">{{ row.says }}</td>
        </tr>
      </tbody>
    </v-table>
    <p class="muted small">
      Over {{ weekdays.weeks }} whole weeks<template v-if="weekdays.p !== null"
        >; F {{ formatDecimals(weekdays.f!, 1) }}, p {{ formatP(weekdays.p) }}</template
      >.
    </p>
  </section>
</template>
