<script setup lang="ts">
import { computed } from 'vue'
import type { FigureWorking } from '~~/core/column/figureWorking'
import FigureButton from './FigureButton.vue'

/** A figure of a panel that opens its working, and closes it again; a dash where there is none. */
const props = defineProps<{
  working: FigureWorking | null
  /** The working that is open. */
  open: FigureWorking | null
}>()
const emit = defineEmits<{ ask: [working: FigureWorking | null] }>()

const isAsked = computed(() => props.working !== null && props.working.title === props.open?.title)
</script>

<template>
  <FigureButton v-if="working" :is-asked="isAsked" @click="emit('ask', isAsked ? null : working)">
    <slot />
  </FigureButton>
  <template v-else>–</template>
</template>
