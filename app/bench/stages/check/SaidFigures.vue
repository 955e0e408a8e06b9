<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures, READERS_FIGURES } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { traitsOf } from '~~/core/decompose/ways'
import type { ErrorFigures } from '~~/core/check/errorFigures'
import { accuracyWords, ERROR_NAMES, errorFigureText, type SaidFigure } from '~~/core/check/words'
import type { TermName } from '~~/core/glossary/glossary'
import type { Result } from '~~/core/result'

/** Every error figure with its value and what it says in plain words. */
const props = defineProps<{ result: Result; figures: ErrorFigures }>()

/** The term that explains a figure: one is another in per cent. */
function termOf(key: SaidFigure['key']): TermName {
  return key === 'rmsePercentOfMean' ? 'rmse' : key
}
const rows = computed(() => {
  const { method, series } = props.result
  const { hasSeason } = traitsOf(method.decompose)
  return accuracyWords(props.figures, series.unit, hasSeason).map(({ key, says }) => ({
    ...{ key, says, term: termOf(key), name: ERROR_NAMES[key] },
    text: errorFigureText(key, props.figures[key], series.unit, READERS_FIGURES),
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
