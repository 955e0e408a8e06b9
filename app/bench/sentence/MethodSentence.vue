<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { useBench } from '../study/benchStore'
import { useSentence } from './sentenceStore'
import WordMenu from './WordMenu.vue'

const bench = useBench()
const sentence = useSentence()

/** Pieces of the sentence; the mark behind a word goes with it, so that no line begins with one. */
const parts = computed(() =>
  sentence.pieces.map((piece, i, all) => {
    if (typeof piece !== 'string') return { word: piece, mark: markOf(all[i + 1]) }
    return { text: i > 0 ? piece.slice(markOf(piece).length) : piece }
  }),
)

function markOf(piece: (typeof sentence.pieces)[number] | undefined): string {
  return typeof piece === 'string' ? /^[.,;:)]*/.exec(piece)![0] : ''
}
</script>

<template>
  <section class="sentence" aria-label="Method" data-area="sentence">
    <p v-if="sentence.method">
      <template v-for="({ text, word, mark }, i) in parts" :key="word?.id ?? i">
        <span v-if="word" class="word-with-mark"
          ><strong v-if="bench.frozen">{{ word.text }}</strong
          ><WordMenu v-else :id="word.id" :text="word.text" />{{ mark }}</span
        >
        <template v-else>{{ text }}</template>
      </template>
      <span v-if="sentence.begun.length > 0 && !bench.frozen" class="muted small">
        Begun by rule: {{ inReadersFigures(sentence.begun.join('; ')) }}; change any word.
      </span>
      <span v-if="bench.calculating" class="calculating muted small" role="status">
        calculating…
      </span>
    </p>
    <p v-else>
      The method of this study does not fit its series.
      <v-btn color="accent" @click="bench.change({ format: bench.method.format })">
        Start again with the usual method
      </v-btn>
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

.word-with-mark {
  white-space: nowrap;
}

/* A word that is longer than a line leaves room for its mark. */
.word-with-mark :deep(.word) {
  max-width: calc(100vw - 48px);
  white-space: normal;
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
</style>
