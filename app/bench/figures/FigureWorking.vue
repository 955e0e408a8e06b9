<script setup lang="ts">
import { computed, useTemplateRef, watch } from 'vue'
import { formatFigure } from '~/figures/format'
import { madeIn, write } from '~~/core/column/kinds/kinds'
import type { FigureWorking } from '~~/core/column/figureWorking'
import ArithmeticLines from './ArithmeticLines.vue'

/** How a figure of a panel came about that stands in no cell, with the figures it was made from. */
const props = defineProps<{ working: FigureWorking }>()
const emit = defineEmits<{ close: [] }>()

const box = useTemplateRef('box')
// It opens below the tables: what was asked for comes into sight.
watch([() => props.working, box], () => box.value?.scrollIntoView({ block: 'nearest' }), {
  flush: 'post',
})

const made = computed(() => madeIn(props.working.expression))
</script>

<template>
  <section
    ref="box"
    class="figure-working"
    role="status"
    :aria-label="`Working of ${working.title}`"
  >
    <div class="title">
      <h4>{{ working.title }}</h4>
      <v-btn variant="plain" color="accent" size="small" @click="emit('close')">Close</v-btn>
    </div>
    <ArithmeticLines :expression="working.expression" />
    <p class="value">= {{ formatFigure(working.value) }}</p>
    <p v-for="one in made" :key="one.symbol" class="muted small made">
      {{ one.symbol }} = {{ write(one.made) }} = {{ write(one.made, formatFigure) }} =
      {{ formatFigure(one.value) }}
    </p>
    <p v-if="working.note" class="muted small">{{ working.note }}</p>
  </section>
</template>

<style scoped>
.figure-working {
  margin: 4px 0 12px;
  padding: 8px 10px;
  border: 1px solid var(--rule);
  border-radius: 4px;
}

.title {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 8px;
}

h4 {
  font-size: 13px;
  font-weight: 600;
}

p {
  margin: 0;
  overflow-wrap: anywhere;
}

.made {
  margin-top: 6px;
}

.value {
  color: var(--accent);
  font-size: 15px;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
</style>
