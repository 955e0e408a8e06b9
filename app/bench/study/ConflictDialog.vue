<script setup lang="ts">
import { computed } from 'vue'
import { formatMoment } from '~/figures/format'
import { completeMethod } from '~~/core/completeMethod'
import type { MethodDocument } from '~~/core/method'
import { methodSentence } from '~~/core/sentence/sentence'
import { piecesText } from '~~/core/word'
import { useBench } from './benchStore'

const bench = useBench()

function inWords(method: MethodDocument, adjusted: number): string {
  const series = bench.series!
  const also = adjusted === 0 ? '' : ` ${adjusted} ${adjusted === 1 ? 'value' : 'values'} adjusted.`
  try {
    return piecesText(methodSentence(completeMethod(method, series), series)) + also
  } catch {
    return 'a method that does not fit this series'
  }
}
const other = computed(() => bench.conflict)
const savedAt = computed(() => (other.value ? formatMoment(other.value.updatedAt) : ''))
</script>

<template>
  <v-dialog :model-value="other !== null" persistent aria-labelledby="conflict-title">
    <template v-if="other">
      <h2 id="conflict-title" class="serif">This study was changed elsewhere</h2>
      <p>
        Another window saved it at {{ savedAt }}, after you had opened it. Nothing is lost until you
        choose.
        <template v-if="bench.touched.length > 0">
          Both changed {{ bench.touched.join(', ') }}. Keeping yours also takes what only the saved
          one changed.
        </template>
      </p>
      <div class="versions">
        <section>
          <h3>Yours</h3>
          <p>{{ inWords(bench.method, bench.content.adjustments.length) }}</p>
          <v-btn variant="flat" @click="bench.resolveConflict('mine')"> Keep mine </v-btn>
        </section>
        <section>
          <h3>Saved elsewhere</h3>
          <p>{{ inWords(other.method, other.series.adjustments?.length ?? 0) }}</p>
          <v-btn variant="flat" @click="bench.resolveConflict('theirs')">
            Take the saved one
          </v-btn>
        </section>
      </div>
      <p class="muted small">Taking the saved one can be undone: yours stays one step back.</p>
    </template>
  </v-dialog>
</template>

<style scoped>
.versions {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
}

h2 {
  font-size: 19px;
}
</style>
