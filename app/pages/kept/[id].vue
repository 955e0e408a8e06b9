<script setup lang="ts">
import { computed, watch } from 'vue'
import { useHead, useRoute } from '#app'
import FrozenNote from '~/bench/kept/FrozenNote.vue'
import HandOverMenu from '~/bench/handover/HandOverMenu.vue'
import { useShortcuts } from '~/bench/plane/shortcuts'
import { useViewHistory } from '~/bench/plane/viewHistory'
import TimePlane from '~/bench/plane/TimePlane.vue'
import MethodSentence from '~/bench/sentence/MethodSentence.vue'
import StagePath from '~/bench/stages/StagePath.vue'
import { useBench } from '~/bench/study/benchStore'
import { useKeptView } from '~/bench/view/keptViewStore'
import { useSelection } from '~/bench/view/selectionStore'
import WorkingPanel from '~/bench/working/WorkingPanel.vue'
import { formatDay } from '~/figures/format'
import PageHead from '~/shell/PageHead.vue'

/** A kept forecast as a Bench that cannot be changed: every figure of it still explains itself. */
const route = useRoute()
const bench = useBench()
const selection = useSelection()
const keptView = useKeptView()
useShortcuts()
useViewHistory()

async function open(id: string) {
  await Promise.all([bench.save(), keptView.layAside()])
  await bench.openKept(id)
  selection.reset()
  selection.chooseStage('project')
}
watch(
  () => route.params.id,
  (id) => typeof id === 'string' && void open(id),
  { immediate: true },
)
const kept = computed(() => bench.frozen)
useHead({
  title: computed(() => (kept.value ? `${kept.value.name} · Elvant` : 'Kept forecast · Elvant')),
})
</script>

<template>
  <div class="bench">
    <PageHead>
      <template v-if="bench.state === 'ready' && kept">
        <h1 class="name" dir="auto">{{ kept.name }}</h1>
        <p class="muted small about">
          kept {{ formatDay(kept.createdAt) }} by Elvant {{ kept.version }} ·
          <NuxtLink :to="`/study/${kept.studyId}`">{{ kept.series }}</NuxtLink> ·
          {{ bench.series!.values.length }} periods were known
        </p>
      </template>
      <template v-if="bench.state === 'ready'" #actions>
        <v-btn to="/kept">All kept forecasts</v-btn>
        <HandOverMenu />
      </template>
    </PageHead>
    <p v-if="bench.state === 'loading'" class="message muted" role="status">
      Opening the kept forecast…
    </p>
    <div v-else-if="bench.state === 'failed'" class="message" role="alert">
      <p>{{ bench.failure }}</p>
      <NuxtLink to="/kept">All kept forecasts</NuxtLink>
    </div>
    <template v-else-if="kept">
      <FrozenNote :kept="kept" />
      <MethodSentence />
      <main class="columns">
        <StagePath />
        <TimePlane />
        <WorkingPanel />
      </main>
    </template>
  </div>
</template>

<style scoped>
.bench {
  display: flex;
  flex-direction: column;
  height: 100dvh;
}

.columns {
  display: grid;
  flex: 1;
  grid-template-columns: var(--path-width) minmax(0, 1fr) var(--working-width);
  min-height: 0;
}

.columns > * {
  min-height: 0;
  overflow-y: auto;
}

.name {
  overflow: hidden;
  font-size: 15px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.about {
  margin: 0;
}

.message {
  padding: 32px;
}

@media (width < 980px) {
  .bench {
    height: auto;
    min-width: 0;
  }

  .columns {
    display: block;
  }
}
</style>
