<script setup lang="ts">
import { computed } from 'vue'
import { later } from '~/shell/later'
import { completeMethod } from '~~/core/completeMethod'
import type { Method } from '~~/core/method'
import { methodSentence } from '~~/core/sentence'
import { useBench } from '../study/benchStore'
import ChoiceList from './ChoiceList.vue'
import WordMenu from './WordMenu.vue'

const BreakList = later(() => import('./BreakList.vue'))
const EventList = later(() => import('./EventList.vue'))
const ExclusionList = later(() => import('./ExclusionList.vue'))
const FieldSheet = later(() => import('./FieldSheet.vue'))
const MemberList = later(() => import('./MemberList.vue'))

/** The sheets of words that are neither a choice nor fields to fill. */
const OWN = {
  exclude: ExclusionList,
  breaks: BreakList,
  events: EventList,
  members: MemberList,
} as const

const bench = useBench()

/** The method with its defaults; null when the document itself does not fit the series. */
const method = computed<Method | null>(() => {
  if (bench.result && !bench.failed) return bench.result.method
  try {
    return completeMethod(bench.method, bench.series!)
  } catch {
    return null
  }
})
const pieces = computed(() => (method.value ? methodSentence(method.value, bench.series!) : []))
const sheetOf = (id: string) => OWN[id as keyof typeof OWN]
</script>

<template>
  <section class="sentence" aria-label="Method">
    <p v-if="method">
      <template v-for="(piece, i) in pieces" :key="typeof piece === 'string' ? i : piece.id">
        <template v-if="typeof piece === 'string'">{{ piece }}</template>
        <WordMenu v-else :text="piece.text" :word="piece.id">
          <template #default="{ close }">
            <ChoiceList
              v-if="piece.ask.kind === 'pick'"
              :name="piece.text"
              :choices="piece.ask.choices"
              @done="close"
            />
            <FieldSheet
              v-else-if="piece.ask.kind === 'fields'"
              :lead="piece.ask.lead"
              :fields="piece.ask.fields"
              :usual="piece.ask.usual"
              @done="close"
            />
            <component :is="sheetOf(piece.id)" v-else :method="method" @done="close" />
          </template>
        </WordMenu>
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
