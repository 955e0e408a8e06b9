<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { furthestFromTrend } from '~~/core/beside/furthest'
import type { Result } from '~~/core/result'
import { useSelection } from '../../view/selectionStore'

/** The periods furthest over and under the trend, once the season is out. */
const props = defineProps<{ result: Result }>()
const selection = useSelection()
const COUNT = 5
const furthest = computed(() => furthestFromTrend(props.result, COUNT))
const sides = computed(() => {
  const { from, over, under } = furthest.value
  return [
    { title: `Furthest over ${from}`, list: over },
    { title: `Furthest under ${from}`, list: under },
  ].filter(({ list }) => list.length > 0)
})
/** Why it is not the trend that they are measured from. */
const whyCycle = computed(() => {
  if (furthest.value.from === 'trend') return ''
  const because = props.result.trendFits
    ? 'The trend does not fit'
    : 'A smoothed level is pulled along by the values'
  return `${because}, so single periods are measured from the trend-cycle.`
})
</script>

<template>
  <section v-for="side in sides" :key="side.title" class="furthest working-part">
    <h3>{{ side.title }}</h3>
    <p v-if="whyCycle && side === sides[0]" class="muted small">{{ whyCycle }}</p>
    <ol>
      <li v-for="(one, place) in side.list" :key="one.t">
        <span class="muted">{{ place + 1 }}</span>
        <v-btn
          variant="plain"
          class="period"
          :class="{ current: selection.cursor === one.t }"
          @click="selection.moveTo({ column: 'deseasonalized', t: one.t })"
        >
          {{ inReadersFigures(one.words) }}
        </v-btn>
      </li>
    </ol>
  </section>
</template>

<style scoped>
ol {
  margin: 2px 0 0;
  padding: 0;
  font-size: 12px;
  list-style: none;
}

li {
  display: flex;
  gap: 8px;
}

button {
  flex: 1;
  min-width: 0;
  padding: 1px 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

button:hover {
  text-decoration: underline;
}

.current {
  font-weight: 600;
}
</style>
