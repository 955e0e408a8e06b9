<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure, inReadersFigures } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { traitsOf } from '~~/core/decompose/ways'
import type { ErrorFigures } from '~~/core/check/errorFigures'
import { accuracyWords, ERROR_NAMES, type SaidFigure } from '~~/core/check/words'
import type { TermName } from '~~/core/glossary/glossary'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'

/** Every error figure with its value and what it says in plain words. */
const props = defineProps<{ result: Result; figures: ErrorFigures }>()

/** The term that explains a figure: one is another in per cent. */
function termOf(key: SaidFigure['key']): TermName {
  return key === 'rmsePercentOfMean' ? 'rmse' : key
}
const rows = computed(() => {
  const { method, series } = props.result
  const { hasSeason } = traitsOf(method.decompose)
  const value = (key: SaidFigure['key'], figure: Value) => {
    if (figure === null) return '–'
    switch (key) {
      case 'mase':
        return formatDecimals(figure, 2)
      case 'mape':
      case 'smape':
      case 'rmsePercentOfMean':
        return `${formatDecimals(figure, 2)}%`
      default:
        return `${formatFigure(figure)} ${series.unit}`
    }
  }
  return accuracyWords(props.figures, series.unit, hasSeason).map(({ key, says }) => ({
    ...{ key, says, term: termOf(key), name: ERROR_NAMES[key] },
    text: value(key, props.figures[key]),
  }))
})
</script>

<template>
  <dl class="figures">
    <template v-for="row in rows" :key="row.key">
      <dt>
        <TermWord :of="row.term">{{ row.name }}</TermWord>
        <span class="says">{{ inReadersFigures(row.says) }}</span>
      </dt>
      <dd>{{ row.text }}</dd>
    </template>
  </dl>
</template>

<style scoped>
.says {
  display: block;
  color: var(--muted);
  font-size: 11px;
  line-height: 1.3;
}
</style>
