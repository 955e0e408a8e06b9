<script setup lang="ts">
import type { DateList } from '~~/core/prepare/calendar/byHand'
import { inReadersFigures } from '~/figures/format'
import { useBench } from '../../study/benchStore'
import { useListOfOthers } from './otherSeries'

/** Where other series have a list of this name with other dates: these dates for all of them, at one click. */
const props = defineProps<{ list: DateList }>()
const bench = useBench()
const { others, isUnderWay, failure, give } = useListOfOthers(
  () => props.list,
  () => bench.study!.id,
)
</script>

<template>
  <p v-if="others.length > 0" class="others small">
    {{ others.length === 1 ? 'One other method has' : `${others.length} other methods have` }}
    “{{ list.name }}” with other dates.
    <v-btn variant="plain" color="accent" class="give" :disabled="isUnderWay" @click="give()">
      {{ isUnderWay ? 'giving…' : 'give them these' }}
    </v-btn>
  </p>
  <p v-if="failure" class="others small refused" role="alert">{{ inReadersFigures(failure) }}</p>
</template>

<style scoped>
.others {
  grid-column: 2;
  margin: 0;
}

.give {
  height: auto;
  min-height: 0;
  padding: 0;
  font-size: inherit;
}

.refused {
  color: var(--danger);
}
</style>
