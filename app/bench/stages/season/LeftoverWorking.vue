<script setup lang="ts">
import { computed } from 'vue'
import { formatFigure } from '~/figures/format'
import { seasonLabel } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { SpreadOf } from '~~/core/leftover/leftover'
import type { Result } from '~~/core/result'
import TermWord from '~/shell/TermWord.vue'
import CorrelationBars from '../../figures/CorrelationBars.vue'
import NamedBars from '../../figures/NamedBars.vue'

/** The leftover looked at for a pattern: against itself, by year and by season. */
const props = defineProps<{ result: Result }>()
const leftover = computed(() => props.result.leftover)
const calendar = computed(() => calendarOfResult(props.result))

function bars(spreads: readonly SpreadOf[], name: (of: number) => string) {
  const most = Math.max(...spreads.map(({ spread }) => spread ?? 0))
  return spreads.map(({ of, spread }) => ({
    name: name(of),
    height: spread === null || most === 0 ? 0 : (100 * spread) / most,
    words: `${name(of)}: ${spread === null ? 'too few values' : formatFigure(spread)}`,
  }))
}
const groups = computed(() => [
  { title: 'by year', bars: bars(leftover.value.byYear, (year) => `’${String(year).slice(-2)}`) },
  {
    title: 'by season',
    bars: bars(leftover.value.bySeason, (season) =>
      seasonLabel(season, calendar.value).replace('season ', '').slice(0, 3),
    ),
  },
])
</script>

<template>
  <section class="leftover working-part">
    <h3>What is left over</h3>
    <p v-if="leftover.spread !== null" class="muted small">
      Its <TermWord of="spread">standard deviation</TermWord> is {{ formatFigure(leftover.spread) }}
      {{ result.method.decompose.model === 'multiplicative' ? '(factor)' : result.series.unit }}.
    </p>
    <CorrelationBars
      v-if="leftover.autocorrelation && leftover.limit !== null"
      title="Autocorrelation"
      term="autocorrelation"
      :values="leftover.autocorrelation"
      :limit="leftover.limit"
      :every="result.series.seasons"
    />
    <p v-else class="muted small">No autocorrelation: a gap inside, or nothing left over.</p>
    <figure v-for="group in groups.filter(({ bars: all }) => all.length > 0)" :key="group.title">
      <figcaption>
        Spread {{ group.title }} <span class="muted small">standard deviation</span>
      </figcaption>
      <NamedBars
        :bars="group.bars"
        :label="`Spread of the leftover ${group.title}`"
        of="irregular"
      />
    </figure>
  </section>
</template>

<style scoped>
figure {
  margin: 8px 0 0;
}

figcaption {
  font-size: 12px;
}
</style>
