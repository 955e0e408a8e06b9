<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals } from '~/figures/format'
import type { SmoothingFigures } from '~~/core/stateSpace/figures'
import { shownWeights } from './weightsOf'

/** The weights of a smoothing that are not under the hand. */
const props = defineProps<{ figures: SmoothingFigures }>()
const weights = computed(() => shownWeights(props.figures))
</script>

<template>
  <dl class="figures">
    <template v-for="weight in weights" :key="weight.name">
      <dt>
        {{ weight.says }} <span class="small">{{ weight.how }}</span>
      </dt>
      <dd>{{ weight.how === 'without effect' ? '–' : formatDecimals(weight.value, 3) }}</dd>
    </template>
  </dl>
</template>
