<script setup lang="ts">
import { countPeriods } from '~~/core/calendar/labels'
import { axisOf } from '~~/core/calendar/axis'
import type { Series } from '~~/core/series/series'
import RevisionView from './RevisionView.vue'
import SmallChart from '~/shelf/SmallChart.vue'
import { computed, ref } from 'vue'
import { useIntake, type Candidate } from './intakeStore'
import { QUANTITY_CHOICES } from './quantityChoices'

const intake = useIntake()

function span(series: Series): string {
  const { label } = axisOf(series)
  return `${label(1)} – ${label(series.values.length)}`
}

function count({ series: { calendar, values }, missing, duplicates }: Candidate): string {
  const merged = duplicates > 0 ? `, ${duplicates} merged` : ''
  return `${countPeriods(values.length, calendar)}, ${missing === 0 ? 'none missing' : `${missing} missing`}${merged}`
}

/** A list of thousands is kept as a whole or searched; only so many are drawn. */
const MOST_SHOWN = 200
/** Pixels of a series that is not in sight yet. */
const ROW_HEIGHT = 128
const filter = ref('')
const shown = computed(() => {
  const wanted = filter.value.trim().toLowerCase()
  return intake.candidates
    .map((candidate, at) => ({ candidate, at }))
    .filter(({ candidate }) => candidate.name.toLowerCase().includes(wanted))
})
const isEveryWanted = computed(() => intake.candidates.every(({ wanted }) => wanted))
/** What is typed here is the unit of every series; what they had stays until then. */
const unitOfAll = ref('')
/** What all series do over time; null where they differ. */
const quantityOfAll = computed(() => {
  const kinds = new Set(intake.candidates.map(({ quantity }) => quantity))
  return kinds.size === 1 ? [...kinds][0]! : null
})
const textOf = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <p v-if="intake.candidates.length > 1" class="all">
    <v-checkbox-btn
      :model-value="isEveryWanted"
      :label="`all ${intake.candidates.length} series`"
      @update:model-value="intake.wantAll(!isEveryWanted)"
    />
    <v-text-field
      v-if="intake.candidates.length > 12"
      v-model="filter"
      class="filter"
      type="search"
      placeholder="filter by name"
      aria-label="Filter the series by name"
    />
  </p>
  <p v-if="intake.candidates.length > 1" class="all of-all small">
    <label class="field">
      <span class="small muted">unit of all</span>
      <v-text-field
        v-model="unitOfAll"
        class="unit"
        maxlength="200"
        placeholder="litres, euros…"
        @change="intake.countAllIn(unitOfAll)"
      />
    </label>
    <label class="field">
      <span class="small muted">over time, all</span>
      <v-select
        class="quantity"
        :items="QUANTITY_CHOICES"
        :model-value="quantityOfAll"
        placeholder="differ"
        aria-label="What values of all series do over time"
        @update:model-value="intake.allAre($event)"
      />
    </label>
    <label class="field">
      <span class="small muted">group of all that are new</span>
      <v-text-field v-model="intake.group" class="name" maxlength="200" placeholder="none" />
    </label>
  </p>
  <ul class="series">
    <li v-for="{ candidate, at: i } in shown.slice(0, MOST_SHOWN)" :key="i">
      <!-- Hundreds of fields are made as they come into sight. -->
      <v-lazy
        class="lazy"
        :min-height="ROW_HEIGHT"
        :options="{ rootMargin: '400px' }"
        :transition="false"
      >
        <div class="row">
          <v-checkbox-btn
            v-if="intake.candidates.length > 1"
            :model-value="candidate.wanted"
            :aria-label="`Keep ${candidate.name.slice(0, 200)}`"
            @update:model-value="intake.change(i, { wanted: !candidate.wanted })"
          />
          <div class="body">
            <div class="fields">
              <label class="field">
                <span class="small muted">name</span>
                <v-text-field
                  class="name"
                  :model-value="candidate.name"
                  maxlength="10000"
                  dir="auto"
                  @input="intake.change(i, { name: textOf($event) })"
                />
              </label>
              <label class="field">
                <span class="small muted">unit</span>
                <v-text-field
                  class="unit"
                  :model-value="candidate.unit"
                  maxlength="200"
                  placeholder="litres, euros…"
                  :aria-describedby="`span-${i}`"
                  @input="intake.change(i, { unit: textOf($event) })"
                />
              </label>
              <label class="field">
                <span class="small muted">over time</span>
                <v-select
                  class="quantity"
                  :items="QUANTITY_CHOICES"
                  :model-value="candidate.quantity"
                  :aria-label="`What values of ${candidate.name.slice(0, 200)} do over time`"
                  @update:model-value="intake.change(i, { quantity: $event })"
                />
              </label>
            </div>
            <div class="shape">
              <SmallChart :values="candidate.series.values" />
              <p :id="`span-${i}`" class="muted small">
                {{ candidate.series.calendar.frequency }}, {{ span(candidate.series) }},
                {{ count(candidate)
                }}<template v-if="candidate.column !== null"
                  >; from column {{ candidate.column + 1 }}</template
                >
              </p>
            </div>
            <p v-if="candidate.known" class="known small">
              A series of this name is kept already.
              <v-radio-group
                inline
                :aria-label="`What to do with ${candidate.name.slice(0, 200)}`"
                :model-value="candidate.updates"
                @update:model-value="intake.change(i, { updates: $event === true })"
              >
                <v-radio :value="true" label="bring it up to date" />
                <v-radio :value="false" label="keep this as another" />
              </v-radio-group>
            </p>
            <RevisionView
              v-if="candidate.known && candidate.updates"
              :revision="candidate.known.revision"
              :series="candidate.series"
              :drops="candidate.drops"
              @drop="intake.change(i, { drops: $event })"
            />
          </div>
        </div>
      </v-lazy>
    </li>
  </ul>
  <p v-if="shown.length > MOST_SHOWN" class="muted small">
    … and {{ shown.length - MOST_SHOWN }} more, kept like these. The filter finds them.
  </p>
</template>

<style scoped>
.series {
  margin: 12px 0;
  padding: 0;
  list-style: none;
}

li {
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}

.row {
  display: flex;
  align-items: center;
  gap: 12px;
}

.known label {
  margin-left: 10px;
}

.all {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  margin: 8px 0 0;
}

.of-all {
  flex-wrap: wrap;
  justify-content: flex-start;
}

.fields {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 10px;
}

.shape {
  display: flex;
  align-items: center;
  margin-top: 8px;
  gap: 14px;
}

.shape svg {
  flex: none;
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

.quantity {
  width: 166px;
}

.body p {
  margin: 5px 0 0;
}
</style>
