<script setup lang="ts">
import { computed, watch } from 'vue'
import { formatDecimals, formatP } from '~/figures/format'
import { LATELY_YEARS } from '~~/core/revisions/calendarAfter'
import type { EffectTested } from '~~/core/prepare/calendar/left'
import { useAfterwards } from '../../study/afterwardsStore'

/** What of the calendar the values still follow, over all years and over the last. */
const after = useAfterwards()
watch(
  () => after.asked,
  () => after.calendar.found ?? after.calendar.begin(),
  { immediate: true },
)
const rows = computed(() =>
  (after.calendar.found?.whole ?? []).map((whole) => ({
    whole,
    lately: after.calendar.found?.lately.find(({ name }) => name === whole.name) ?? null,
  })),
)

/** A series of no more years than that has no last ones by themselves. */
const hasLately = computed(() => rows.value.some(({ lately }) => lately !== null))

function words(tested: EffectTested | null): string {
  if (!tested || tested.joint.f === null || tested.joint.p === null) return '–'
  return `${formatDecimals(tested.joint.f, 2)}, p ${formatP(tested.joint.p)}`
}
</script>

<template>
  <v-table v-if="rows.length > 0" class="working-table">
    <caption>
      Calendar in the values as they are adjusted: F of each effect
    </caption>
    <thead>
      <tr class="head">
        <th scope="col">effect</th>
        <th scope="col" class="number">all years</th>
        <th v-if="hasLately" scope="col" class="number">last {{ LATELY_YEARS }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ whole, lately } in rows" :key="whole.name">
        <th scope="row">{{ whole.says }}</th>
        <td class="number">{{ words(whole) }}</td>
        <td v-if="hasLately" class="number">{{ words(lately) }}</td>
      </tr>
    </tbody>
  </v-table>
  <p v-else-if="after.calendar.state === 'running'" class="muted small" role="status">
    Looking for what the calendar leaves …
  </p>
  <p v-else-if="after.calendar.state === 'done'" class="muted small">
    Effects of the calendar are not looked for: the values have no days, or are too few.
  </p>
</template>
