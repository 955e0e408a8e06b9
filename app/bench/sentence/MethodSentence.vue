<script setup lang="ts">
import { useBench } from '../study/benchStore'
import { useSentence } from './sentenceStore'
import WordMenu from './WordMenu.vue'

const bench = useBench()
const sentence = useSentence()
</script>

<template>
  <section class="sentence" aria-label="Method">
    <p v-if="sentence.method">
      <template
        v-for="(piece, i) in sentence.pieces"
        :key="typeof piece === 'string' ? i : piece.id"
      >
        <template v-if="typeof piece === 'string'">{{ piece }}</template>
        <WordMenu v-else :id="piece.id" :text="piece.text" />
      </template>
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
