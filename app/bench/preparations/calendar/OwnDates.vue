<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '~/api/client'
import { inReadersFigures } from '~/figures/format'
import FilePick from '~/shell/FilePick.vue'
import { axisOf } from '~~/core/calendar/axis'
import { withList, type DateList } from '~~/core/prepare/calendar/byHand'
import {
  datesFromEaster,
  HANG_ON_EASTER,
  LEAST_FROM_EASTER,
  MOST_FROM_EASTER,
  nameFromEaster,
} from '~~/core/prepare/calendar/fromEaster'
import type { CalendarDocument } from '~~/core/prepare/calendar/options'
import { Refusal } from '~~/core/refusal'
import type { KeptDateList } from '~~/shared/api/dateLists'
import NumberField from '../../controls/NumberField.vue'
import { useTriedChange } from '../../controls/triedChange'
import { useBench } from '../../study/benchStore'

/** Dates of one's own that sales follow: typed, pasted, from a calendar file, from the method of another series, or by Easter. */
const props = defineProps<{ asked: CalendarDocument }>()
const bench = useBench()
const { problem, change } = useTriedChange()
const name = ref('')
const text = ref('')
/** Lists of a file that has several, and those of other series. */
const offered = ref<readonly (DateList & { readonly of?: string })[]>([])
const chosen = ref<number | null>(null)
/** Days from Easter Sunday, below 0 before it. */
const fromEaster = ref<number | null>(null)
const easterDays = computed(() => {
  const named = HANG_ON_EASTER.map(({ name: title, days: value }) => ({ value, title }))
  const own = fromEaster.value
  if (own === null || named.some(({ value }) => value === own)) return named
  return [...named, { value: own, title: nameFromEaster(own) }]
})
const choices = computed(() =>
  offered.value.map(({ name: own, dates, of }, value) => ({
    value,
    title: `${own}, ${dates.length} dates${of ? ` (${of})` : ''}`,
  })),
)
const isReady = computed(() => name.value.trim() !== '' && text.value.trim() !== '')

onMounted(async () => {
  const lists = await api<KeptDateList[]>('/date-lists').catch(() => [])
  offered.value = [
    ...offered.value,
    ...lists.map(({ series, ...list }) => ({ ...list, of: series.join(', ') })),
  ]
})

/** A list by Easter reaches further, so that it holds when later periods come. */
const YEARS_TO_COME = 10

/** The years that a list must cover: all that is analysed and forecast, which each list begins and ends with. */
function yearsWanted() {
  const { span, forecast } = bench.result!.method
  const { tOfCode, yearOf } = axisOf(bench.series!)
  return {
    first: yearOf(tOfCode(span.from)!),
    last: yearOf(tOfCode(span.to)! + forecast.horizon),
  }
}

async function read(file: File) {
  const { datesOfCalendar, isCalendarFile } = await import('~~/intake/dates/calendarFile')
  await tried(async () => {
    const content = await file.text()
    if (!isCalendarFile(content)) {
      text.value = content
      name.value ||= file.name.replace(/\.\w+$/, '')
      return
    }
    const lists = datesOfCalendar(content, yearsWanted())
    offered.value = [
      ...lists.map(({ name: own, dates }) => ({ name: own, dates: [...dates], of: file.name })),
      ...offered.value,
    ]
    if (lists.length === 1) put(0)
  })
}

/** A list into the fields, to be looked at and changed before it is taken. */
function put(at: number | null) {
  chosen.value = at
  if (at === null) return
  const list = offered.value[at]!
  name.value = list.name
  text.value = list.dates.join('\n')
}

/** The dates of a day that hangs on Easter, for as long as the list may have to reach. */
function putFromEaster(days: number | null) {
  if (days === null) return
  const { first, last } = yearsWanted()
  fromEaster.value = days
  chosen.value = null
  name.value = nameFromEaster(days)
  text.value = datesFromEaster(days, { first, last: last + YEARS_TO_COME }).join('\n')
}

async function take() {
  const { typedDates } = await import('~~/intake/dates/typedDates')
  await tried(() => {
    const { before, after } = offered.value[chosen.value ?? -1] ?? {}
    const dates = typedDates(text.value)
    const list = {
      ...{ name: name.value.trim(), dates },
      ...(before ? { before } : {}),
      ...(after ? { after } : {}),
    }
    change(withList(props.asked, list, 'out'))
    if (problem.value !== '') return
    text.value = ''
    name.value = ''
    chosen.value = null
  })
}

async function tried(work: () => void | Promise<void>) {
  problem.value = ''
  try {
    await work()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    problem.value = error.because
  }
}
</script>

<template>
  <form class="own-dates" @submit.prevent="take">
    <p class="muted small">
      Days that sales follow and no rule tells: fairs, campaigns, holidays. A list covers all years
      that are analysed and forecast.
    </p>
    <div class="from">
      <FilePick accept=".ics,.txt,.csv,text/calendar" @pick="read">
        from a calendar file (.ics)
      </FilePick>
      <v-select
        v-if="choices.length > 0"
        :model-value="chosen"
        aria-label="Lists that there are"
        placeholder="or a known list"
        :items="choices"
        @update:model-value="put"
      />
    </div>
    <div class="from">
      <v-select
        :model-value="fromEaster"
        aria-label="A day that hangs on Easter"
        placeholder="or a day from Easter"
        :items="easterDays"
        @update:model-value="putFromEaster"
      />
      <span class="easter">
        <NumberField
          :model-value="fromEaster ?? 0"
          is-open
          label="Days after Easter Sunday, below 0 before it"
          :least="LEAST_FROM_EASTER"
          :most="MOST_FROM_EASTER"
          @update:model-value="putFromEaster"
        />
        days from it
      </span>
    </div>
    <v-text-field v-model="name" aria-label="Name of the list" placeholder="name" maxlength="100" />
    <v-textarea
      v-model="text"
      aria-label="Dates"
      placeholder="2024-05-01, one a line"
      rows="4"
      maxlength="40000"
    />
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
    <p class="ends">
      <v-btn variant="flat" type="submit" :disabled="!isReady">Take these out</v-btn>
    </p>
  </form>
</template>

<style scoped>
.own-dates {
  display: grid;
  gap: 6px;
}

p {
  margin: 0;
}

.from {
  display: flex;
  gap: 10px;
  align-items: center;
}

.easter {
  display: flex;
  flex: none;
  gap: 6px;
  align-items: center;
}

.refused {
  color: var(--danger);
}

.ends {
  display: flex;
  justify-content: flex-end;
}
</style>
