<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { formatDecimals, formatFigure, inReadersFigures } from '~/figures/format'
import type { Result } from '~~/core/result'
import { useParts } from '../../parts/partsStore'
import { useLedger } from '../../view/ledgerStore'
import { useSelection } from '../../view/selectionStore'

/** Whether adjusted parts add up to the adjusted whole: which series belong together, and how far both are apart. */
const props = defineProps<{ result: Result }>()
const parts = useParts()
const ledger = useLedger()
const selection = useSelection()
onMounted(parts.look)

const items = computed(() =>
  parts.offered.map(({ id, name, group }) => ({
    value: id,
    title: name,
    props: { subtitle: group || undefined },
  })),
)
/** The periods that both have, each with what lies between as a share of the whole. */
const apart = computed(() => {
  const { laid } = parts
  if (!laid) return []
  return laid.whole.flatMap((whole, i) => {
    const sum = laid.parts[i]!
    return whole === null || sum === null || whole === 0
      ? []
      : [{ t: laid.from + i, by: whole - sum, share: Math.abs((whole - sum) / whole) }]
  })
})
const mean = computed(
  () => apart.value.reduce((sum, { share }) => sum + share, 0) / apart.value.length,
)
const furthest = computed(() => {
  const [first, ...rest] = apart.value
  return first ? rest.reduce((most, one) => (one.share > most.share ? one : most), first) : null
})
const percent = (share: number) => `${formatDecimals(100 * share, 2)}%`
</script>

<template>
  <section v-if="items.length > 0" class="working-part">
    <h3>Parts and whole</h3>
    <v-autocomplete
      :model-value="[...parts.chosen]"
      :items="items"
      multiple
      chips
      closable-chips
      clearable
      aria-label="Series that belong to it"
      placeholder="series that belong to it"
      @update:model-value="parts.take($event)"
    />
    <p v-if="parts.state === 'running'" class="muted small" role="status">
      Taking out the season of each …
    </p>
    <p v-else-if="parts.state === 'refused' || parts.state === 'failed'" role="alert" class="small">
      {{ inReadersFigures(parts.because) }}
    </p>
    <template v-else-if="parts.laid && furthest">
      <p class="small">
        {{
          parts.laid.isWhole
            ? `They add up to ${props.result.series.name}.`
            : `The whole is the sum of ${parts.laid.names.length} series, this one among them, by the method here.`
        }}
        Adjusted whole and adjusted parts lie {{ percent(mean) }} apart on average, at most
        {{ percent(furthest.share) }} in
        <v-btn
          variant="plain"
          class="period"
          @click="selection.moveTo({ column: 'beside:parts-difference', t: furthest.t })"
          >{{ ledger.labelAt(furthest.t) }}</v-btn
        >
        ({{ formatFigure(furthest.by) }} {{ result.series.unit }}).
      </p>
    </template>
    <p v-else class="muted small">
      Each part by its own method. Parts with other seasons, or that move apart, do not add up
      exactly.
    </p>
  </section>
</template>

<style scoped>
p {
  margin: 4px 0 0;
}

.period {
  text-decoration: underline;
  text-underline-offset: 3px;
}
</style>
