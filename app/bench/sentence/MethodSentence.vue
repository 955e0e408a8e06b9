<script setup lang="ts">
import { computed } from 'vue'
import { completeMethod } from '~~/core/completeMethod'
import type { Method } from '~~/core/method'
import { useBench } from '../benchStore'
import ExclusionList from './ExclusionList.vue'
import HorizonWord from './HorizonWord.vue'
import LevelsWord from './LevelsWord.vue'
import LoessWord from './LoessWord.vue'
import { optionsOf } from './options'
import TrendWord from './TrendWord.vue'
import { methodSentence, type WordId } from './words'
import WordMenu from './WordMenu.vue'

const bench = useBench()

/** The method with its defaults; null when the document itself does not fit the series. */
const method = computed<Method | null>(() => {
  if (bench.result) return bench.result.method
  try {
    return completeMethod(bench.method, bench.series!)
  } catch {
    return null
  }
})
const pieces = computed(() => (method.value ? methodSentence(method.value, bench.series!) : []))
const options = (word: WordId) =>
  optionsOf(word, bench.method, method.value!, bench.series!.calendar)
</script>

<template>
  <section class="sentence" aria-label="Method">
    <p v-if="method">
      <template v-for="(piece, i) in pieces" :key="typeof piece === 'string' ? i : piece.id">
        <template v-if="typeof piece === 'string'">{{ piece }}</template>
        <WordMenu v-else :text="piece.text" :word="piece.id">
          <template #default="{ close }">
            <HorizonWord v-if="piece.id === 'horizon'" :method="method" @done="close" />
            <LevelsWord v-else-if="piece.id === 'levels'" :method="method" @done="close" />
            <TrendWord v-else-if="piece.id === 'trend'" :method="method" @done="close" />
            <LoessWord v-else-if="piece.id === 'loess'" @done="close" />
            <ExclusionList v-else-if="piece.id === 'exclude'" :method="method" @done="close" />
            <ul v-else class="options" role="listbox" :aria-label="piece.text">
              <li v-for="option in options(piece.id)" :key="option.text" role="presentation">
                <button
                  type="button"
                  role="option"
                  class="option"
                  :aria-selected="option.chosen"
                  @click="(bench.change(option.method), close())"
                >
                  <span class="name">{{ option.text }}</span>
                  <span class="muted small">{{ option.means }}</span>
                </button>
              </li>
            </ul>
          </template>
        </WordMenu>
      </template>
      <span v-if="bench.calculating" class="calculating muted small" role="status">
        calculating…
      </span>
    </p>
    <p v-else>
      The method of this study does not fit its series.
      <button
        type="button"
        class="plain-button strong"
        @click="bench.change({ format: bench.method.format })"
      >
        Start again with the usual method
      </button>
    </p>
  </section>
</template>

<style scoped>
.sentence {
  padding: 11px 20px;
  background: var(--band);
  font-size: 14px;
}

p {
  margin: 0;
  line-height: 1.6;
}

/* Shown only when it takes long enough to wonder. */
.calculating {
  animation: appear 0s 0.3s both;
}

@keyframes appear {
  from {
    visibility: hidden;
  }
}

.options {
  margin: 0;
  padding: 4px;
  list-style: none;
}

.option {
  display: block;
  width: 100%;
  padding: 7px 12px;
  border: 0;
  border-radius: 3px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.option:hover,
.option:focus-visible {
  background: var(--band);
}

.option[aria-selected='true'] .name {
  color: var(--accent);
}

.name {
  display: block;
  font-weight: 600;
}
</style>
