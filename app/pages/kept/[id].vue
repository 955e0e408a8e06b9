<script setup lang="ts">
import { computed, watch } from 'vue'
import { useHead, useRoute } from '#app'
import FrozenNote from '~/bench/kept/FrozenNote.vue'
import BenchFrame from '~/bench/plane/BenchFrame.vue'
import HandOverMenu from '~/bench/handover/HandOverMenu.vue'
import { useShortcuts } from '~/bench/plane/shortcuts'
import { useViewHistory } from '~/bench/plane/viewHistory'
import { useBench } from '~/bench/study/benchStore'
import { useKeptView } from '~/bench/view/keptViewStore'
import { useSelection } from '~/bench/view/selectionStore'
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
  <BenchFrame
    opening="Opening the kept forecast…"
    :back="{ to: '/kept', text: 'All kept forecasts' }"
  >
    <template #head>
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
    </template>
    <template #note><FrozenNote v-if="kept" :kept="kept" /></template>
  </BenchFrame>
</template>

<style scoped>
.name {
  overflow: hidden;
  font-size: 15px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.about {
  margin: 0;
}
</style>
