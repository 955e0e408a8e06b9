<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { recall, remember } from '~/storage/browserStorage'
import { useHelp } from '~/shell/helpStore'
import { TOUR } from './steps'

/** Offers, once, to show the five things that a newcomer does not see, and shows them one by one. */
const KEY = 'elvant.tour'
const help = useHelp()
const isOffered = ref(recall(KEY) === null)
const at = ref(0)
const step = computed(() => TOUR[at.value]!)
const target = computed(() => (help.tour ? document.querySelector(step.value.target) : null))

function answer(takes: boolean) {
  remember(KEY, 'answered')
  isOffered.value = false
  help.tour = takes
}

function end() {
  help.tour = false
}

watch(
  () => help.tour,
  (open) => {
    if (open) at.value = 0
  },
)
/** What is spoken of stands out for as long as it is. */
watch(target, (now, before) => {
  before?.classList.remove('toured')
  now?.classList.add('toured')
  now?.scrollIntoView({ block: 'nearest' })
})
onMounted(() => (help.hasTour = true))
onBeforeUnmount(() => {
  help.hasTour = help.tour = false
  target.value?.classList.remove('toured')
})
</script>

<template>
  <p v-if="isOffered && !help.tour" class="offer" role="note">
    New here? Five things that are easily overlooked.
    <v-btn color="accent" @click="answer(true)">Show me</v-btn>
    <v-btn @click="answer(false)">No, thanks</v-btn>
  </p>
  <v-menu
    :model-value="help.tour && target !== null"
    :target="target ?? undefined"
    :close-on-content-click="false"
    :persistent="true"
    :scrim="false"
    location="bottom"
    @keydown.esc="end()"
  >
    <section class="card" aria-live="polite" @keydown.enter.stop>
      <h2 class="serif">{{ step.title }}</h2>
      <p>{{ step.text }}</p>
      <p class="acts">
        <span class="muted small">{{ at + 1 }} of {{ TOUR.length }}</span>
        <v-btn v-if="at > 0" @click="at--">Back</v-btn>
        <v-btn v-if="at < TOUR.length - 1" variant="flat" @click="at++">Next</v-btn>
        <v-btn :variant="at < TOUR.length - 1 ? 'outlined' : 'flat'" @click="end()">
          {{ at < TOUR.length - 1 ? 'Skip the rest' : 'Done' }}
        </v-btn>
      </p>
    </section>
  </v-menu>
</template>

<style scoped>
.offer {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  margin: 0;
  padding: 5px 20px;
  border-bottom: 1px solid var(--rule);
}

.card {
  max-width: 340px;
  padding: 14px 16px;
}

h2 {
  font-size: 16px;
}

p {
  margin: 4px 0 0;
}

.acts {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-top: 12px;
}

.acts > span {
  margin-right: auto;
}
</style>
