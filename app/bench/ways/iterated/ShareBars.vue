<script setup lang="ts">
import { formatDecimals } from '~/figures/format'
import { countPeriods } from '~~/core/calendar/labels'
import type { Calendar } from '~~/core/calendar/calendar'
import type { SpanShare } from '~~/core/decompose/iterated/shares'

/** What of the movement over each span is irregular, trend-cycle and season: bars that add up to 100%. */
const props = defineProps<{ shares: readonly SpanShare[]; calendar: Calendar }>()
const PARTS = [
  { key: 'irregular', name: 'irregular' },
  { key: 'trendCycle', name: 'trend-cycle' },
  { key: 'seasonal', name: 'season' },
] as const

function words({ span, share, ofOriginal }: SpanShare): string {
  const parts = PARTS.map(({ key, name }) => `${name} ${formatDecimals(share[key], 1)}%`)
  return `Over ${countPeriods(span, props.calendar)}: ${parts.join(', ')}; together ${formatDecimals(ofOriginal, 0)}% of what the original moves, squared`
}
</script>

<template>
  <figure>
    <figcaption class="small muted">
      share of each in what the series moves over so many periods
    </figcaption>
    <ol aria-label="Shares by span">
      <li v-for="one in shares" :key="one.span" :data-tip="words(one)">
        <span
          v-for="{ key } in PARTS"
          :key="key"
          class="part"
          :class="key"
          :style="{ height: `${one.share[key]}%` }"
        />
        <span class="name muted" aria-hidden="true">{{ one.span }}</span>
        <span class="visually-hidden">{{ words(one) }}</span>
      </li>
    </ol>
    <ul class="legend small">
      <li v-for="{ key, name } in PARTS" :key="key">
        <span class="swatch" :class="key" />{{ name }}
      </li>
    </ul>
  </figure>
</template>

<style scoped>
figure {
  margin: 0 0 8px;
}

ol {
  display: flex;
  gap: 2px;
  height: 110px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

ol li {
  position: relative;
  display: flex;
  flex: 1;
  flex-direction: column;
  min-width: 0;
  padding-bottom: 14px;
}

.part {
  flex: none;
  max-height: 100%;
}

.irregular {
  background: var(--irregular);
}

.trendCycle {
  background: var(--trend-cycle);
}

.seasonal {
  background: var(--season);
}

.name {
  position: absolute;
  right: 0;
  bottom: 0;
  left: 0;
  font-size: 11px;
  line-height: 13px;
  text-align: center;
}

.legend {
  display: flex;
  gap: 12px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

.swatch {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 4px;
}
</style>
