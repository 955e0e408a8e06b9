<script setup lang="ts">
import { dateOf, type Day } from '~~/core/calendar/civil'
import type { EasterYears } from '~~/core/prepare/calendar/easterYears'
import { useSelection } from '../../view/selectionStore'
import FigureButton from '../../figures/FigureButton.vue'

/** Where the days before Easter lie, year by year; each leads to what they come to in its period. */
defineProps<{ easter: EasterYears }>()
const selection = useSelection()

const MONTHS = ['Mar', 'Apr']
function dateSaid(day: Day): string {
  const { month, date } = dateOf(day)
  return `${date} ${MONTHS[month - 3]!}`
}
</script>

<template>
  <div class="years" tabindex="0" role="region" aria-label="Easter by years">
    <v-table class="working-table">
      <caption>
        Of the
        {{
          easter.window
        }}
        days before Easter, how many fall into which period
      </caption>
      <thead>
        <tr class="head">
          <th scope="col">year</th>
          <th scope="col">Easter</th>
          <th v-for="season in easter.seasons" :key="season" scope="col" class="number">
            {{ season }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ year, easter: sunday, periods } in easter.years" :key="year">
          <th scope="row">{{ year }}</th>
          <td>{{ dateSaid(sunday) }}</td>
          <td v-for="{ t, days } in periods" :key="t" class="number">
            <FigureButton
              :class="{ muted: days === 0 }"
              @click="selection.moveTo({ column: `calendar easter${easter.window}`, t })"
            >
              {{ days }}
            </FigureButton>
          </td>
        </tr>
      </tbody>
    </v-table>
  </div>
</template>

<style scoped>
.years {
  max-height: 260px;
  margin-bottom: 8px;
  overflow-y: auto;
}
</style>
