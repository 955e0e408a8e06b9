<script setup lang="ts">
import { computed, ref } from 'vue'
import { navigateTo } from '#app'
import { inReadersFigures } from '~/figures/format'
import { api } from '~/api/client'
import { useNotices } from '~/shell/noticeStore'
import { calendarOf } from '~~/core/calendar/calendar'
import { onePeriod } from '~~/core/calendar/labels'
import {
  coarserThan,
  GATHERED_BY,
  mayLackSome,
  usualGathering,
  type Coarser,
  type GatheredBy,
} from '~~/core/series/gathered'
import type { ShelfRow } from '~~/shared/api/series'
import { useBench } from './benchStore'

/**
 * The rhythm of the values, opened to look at them in a coarser one: a series of its own, which follows these values and
 * leads back to them.
 */
const bench = useBench()
const notices = useNotices()
const open = ref(false)
const isGathering = ref(false)
const calendar = computed(() => bench.series!.calendar)
const fine = computed(() => onePeriod(calendar.value))
const targets = computed(() => coarserThan(calendar.value))
/** Null until another way than the usual one is chosen. */
const chosen = ref<GatheredBy | null>(null)
const by = computed({
  get: () => chosen.value ?? usualGathering(bench.series!),
  set: (way) => (chosen.value = way),
})

const MADE_BY: Record<GatheredBy, string> = {
  sum: 'the sum',
  mean: 'the mean',
  last: 'the last',
  first: 'the first',
  median: 'the median',
  min: 'the lowest',
  max: 'the highest',
}
const ways = computed(() =>
  GATHERED_BY.map((value) => ({ value, title: `${MADE_BY[value]} of its ${fine.value}s` })),
)
const rule = computed(() =>
  mayLackSome(calendar.value)
    ? `Up to three in ten ${fine.value}s without a value are taken as closed; a period that lacks more has no value.`
    : `A period that lacks a ${fine.value} has no value; one that is not whole at either end is left out.`,
)

async function gather(to: Coarser) {
  open.value = false
  isGathering.value = true
  try {
    // What the server has not heard of yet it could not gather.
    await bench.save()
    const { format, span, missing } = bench.method
    const method = { format, ...(span ? { span } : {}), ...(missing ? { missing } : {}) }
    const { studyId } = await api<ShelfRow>(`/series/${bench.study!.seriesId}/rows`, {
      method: 'POST',
      body: { row: { kind: 'gathered', to, by: by.value }, method },
    })
    await navigateTo(`/study/${studyId}`)
  } catch (error) {
    notices.show({ text: inReadersFigures((error as Error).message) })
  } finally {
    isGathering.value = false
  }
}
</script>

<template>
  <template v-if="targets.length === 0">{{ calendar.frequency }}</template>
  <v-menu v-else v-model="open" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <v-btn
        variant="plain"
        class="rhythm"
        :disabled="isGathering"
        :data-tip="`Look at these ${fine}s in a coarser rhythm`"
        v-bind="activator"
        :aria-owns="undefined"
      >
        {{ isGathering ? 'gathering…' : calendar.frequency }}
      </v-btn>
    </template>
    <section class="sheet small">
      <p>
        Look at the {{ fine }}s in a coarser rhythm. It is a series of its own, with a method of its
        own, which follows these values and leads back here.
      </p>
      <v-select v-model="by" :items="ways" :aria-label="'What a period is made of'" />
      <p class="muted">{{ rule }}</p>
      <p class="targets">
        <v-btn v-for="to in targets" :key="to" @click="gather(to)">
          by {{ onePeriod(calendarOf(to)) }}
        </v-btn>
      </p>
    </section>
  </v-menu>
</template>

<style scoped>
.rhythm {
  height: auto;
  min-width: 0;
  min-height: 0;
  padding: 0;
  border-bottom: 1px dotted;
  font: inherit;
}

.sheet {
  width: 320px;
  padding: 12px 16px 6px;
}

.sheet p {
  margin: 0 0 8px;
}

.sheet .targets {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
