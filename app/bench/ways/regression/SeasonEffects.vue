<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure, formatSigned, inReadersFigures } from '~/figures/format'
import { regressionReadings } from '~~/core/ledger/regressionReadings'
import type { Result } from '~~/core/result'

/** What every season adds by the regression, as bars beside the indices of the decomposition. */
const props = defineProps<{ result: Result }>()
const ofLog = computed(() => props.result.regression!.ofLog)
const isFactor = computed(() => props.result.method.decompose.model === 'multiplicative')
/** Indices and effects are drawn side by side only where both are factors, or both amounts. */
const comparable = computed(() => ofLog.value === isFactor.value && props.result.seasons.length > 0)

const rows = computed(() => {
  const words = regressionReadings(props.result)!.seasons
  const neutral = ofLog.value ? 1 : 0
  const all = props.result.regression!.seasonEffects.map(({ label, estimate }, k) => {
    const effect = ofLog.value ? Math.exp(estimate) : estimate
    const index = comparable.value ? props.result.seasons[k]!.index : null
    return { label, effect, index, words: words[k]! }
  })
  const furthest = Math.max(
    ...all.flatMap(({ effect, index }) => [
      Math.abs(effect - neutral),
      Math.abs((index ?? neutral) - neutral),
    ]),
  )
  const bar = (value: number) => {
    const share = (50 * (value - neutral)) / (furthest || 1)
    return { left: `${Math.min(50, 50 + share)}%`, width: `${Math.abs(share)}%` }
  }
  return all.map((row) => ({
    ...row,
    bars: [
      { of: 'effect', style: bar(row.effect) },
      ...(row.index === null ? [] : [{ of: 'index', style: bar(row.index) }]),
    ],
    figure: ofLog.value ? formatDecimals(row.effect, 3) : formatSigned(row.effect, 0),
    indexFigure:
      row.index === null
        ? ''
        : ofLog.value
          ? formatDecimals(row.index, 3)
          : formatSigned(row.index, 0),
  }))
})
const spread = computed(() => formatFigure(Math.max(...rows.value.map(({ effect }) => effect))))
</script>

<template>
  <section class="working-part">
    <h3>Seasons by the regression</h3>
    <p class="muted small">
      <span class="key effect" /> regression,
      {{ ofLog ? 'factor' : result.series.unit || 'amount' }} against the average season<template
        v-if="comparable"
        >; <span class="key index" /> index of the decomposition</template
      ><template v-else>; the indices are of the other model and not drawn</template>
    </p>
    <ol class="effects" :aria-label="`Effects of the seasons, the highest ${spread}`">
      <li v-for="row in rows" :key="row.label" :data-tip="inReadersFigures(row.words)">
        <span class="name">{{ row.label }}</span>
        <span class="track">
          <span class="zero" />
          <span
            v-for="bar in row.bars"
            :key="bar.of"
            class="bar"
            :class="bar.of"
            :style="bar.style"
          />
        </span>
        <span class="number">{{ row.figure }}</span>
        <span v-if="comparable" class="number muted">{{ row.indexFigure }}</span>
        <span class="visually-hidden">{{ inReadersFigures(row.words) }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.effects {
  margin: 4px 0 0;
  padding: 0;
  font-size: 11.5px;
  list-style: none;
}

li {
  display: flex;
  gap: 6px;
  align-items: center;
  height: 19px;
}

.name {
  flex: none;
  width: 52px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.track {
  position: relative;
  flex: 1;
  height: 14px;
}

.zero {
  position: absolute;
  top: -2px;
  bottom: -2px;
  left: 50%;
  width: 1px;
  background: var(--rule-strong);
}

.bar {
  position: absolute;
  height: 7px;
}

.bar.effect {
  top: 0;
}

.bar.index {
  top: 7px;
  height: 5px;
}

.effect {
  background: var(--season);
}

.index {
  background: color-mix(in srgb, var(--season) 35%, transparent);
}

.key {
  display: inline-block;
  width: 12px;
  height: 7px;
}

.number {
  flex: none;
  min-width: 48px;
  text-align: right;
}
</style>
