<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '~/api/client'
import { formatCount, inReadersFigures } from '~/figures/format'
import { take } from '~/shelf/applying'
import { useTakingMany } from '~/shelf/takingMany'
import { takenOn } from '~~/core/addingUp/takenOn'
import { AGREEMENT_NAMES } from '~~/core/addingUp/tried'
import type { MethodDocument } from '~~/core/method'
import type { Study } from '~~/shared/api/studies'
import { useSums } from './sumsStore'

/** Gives every series the forecast that was made to agree: as amounts by hand in its study, with their reason, to be undone. */
const sums = useSums()
const { isUnderWay, done, failure, takeEach, stop } = useTakingMany()
const open = ref(false)

const members = computed(() => sums.nodes.filter(({ members }) => members.length === 0))
const called = computed(() => AGREEMENT_NAMES[sums.by])
const reason = computed(
  () =>
    `Made to add up with ${sums.nodes[0]!.name.slice(0, 120)}, ${called.value}, on ${new Date().toISOString().slice(0, 10)}.`,
)

async function takeOn() {
  const isThrough = await takeEach(
    members.value,
    async ({ name, series, own, agreed }) => {
      const { studyId, version } = sums.added!.studies[series[0]!]!
      const study = await api<Study>(`/studies/${studyId}`)
      if (version !== null && study.version !== version) {
        throw new Error(`${name.slice(0, 100)} was changed since. Add up again, and take that on.`)
      }
      const figures = { ahead: sums.added!.ahead, own, agreed: agreed[sums.by] }
      return take({ study }, takenOn(study.method as MethodDocument, figures, reason.value))
    },
    (count) =>
      `${count === 1 ? 'One series has' : `${formatCount(count)} series have`} the forecast ${called.value} now.`,
    // What was added up has other versions now.
    (saved) => sums.note(saved),
  )
  if (isThrough) open.value = false
}
</script>

<template>
  <v-btn
    :data-tip="`Every series takes its forecast ${called}; what it said by itself stays beside it`"
    @click="((failure = ''), (open = true))"
  >
    Take these on…
  </v-btn>
  <v-dialog v-model="open" max-width="520" aria-labelledby="take-on-title" :persistent="isUnderWay">
    <h2 id="take-on-title" class="serif dialog-title">
      Forecast {{ members.length === 1 ? 'one series' : `${formatCount(members.length)} series` }}
      {{ called }}?
    </h2>
    <p>
      What its own forecast lacks of the agreed one is added to each series by hand, period by
      period, with the reason below. The statistical forecast stays beside it, and so do limits and
      what you assumed yourself. What was added for an earlier agreement is replaced.
    </p>
    <p class="muted">{{ inReadersFigures(reason) }}</p>
    <p v-if="failure" class="failure" role="alert">{{ inReadersFigures(failure) }}</p>
    <p v-if="isUnderWay" role="status">
      {{ formatCount(done) }} of {{ formatCount(members.length) }} taken on…
    </p>
    <p class="dialog-acts">
      <v-btn v-if="isUnderWay" @click="stop()">Stop</v-btn>
      <v-btn v-else @click="open = false">Cancel</v-btn>
      <v-btn variant="flat" :disabled="isUnderWay" @click="takeOn()">Take on</v-btn>
    </p>
  </v-dialog>
</template>

<style scoped>
p + p {
  margin-top: 8px;
}

.failure {
  color: var(--danger);
}
</style>
