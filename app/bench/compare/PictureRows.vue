<script setup lang="ts">
import { computed } from 'vue'
import { formatFactor } from '~/figures/format'
import type { Result } from '~~/core/result'
import SmallPicture from '../figures/SmallPicture.vue'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'
import { comparedAmount } from './figures'
import { readingAt, type ComparedPicture } from './pictures'

/** The same pictures of every method, read at the period of the cursor, which the pointer and the arrows move. */
const props = defineProps<{
  pictures: readonly ComparedPicture[]
  results: readonly Result[]
  titles: readonly string[]
}>()
/** Pixels of a picture before it is drawn as wide as its column. */
const WIDTH = 280

const ledger = useLedger()
const selection = useSelection()

const noun = computed(() => props.results[0]!.series.noun)
const amount = (value: number) => comparedAmount(value, ledger.scale)
const write = ({ measure }: ComparedPicture) => (measure === 'factor' ? formatFactor : amount)
/** The ends of the axis are said below a picture where the next has others. */
const showsEnds = (i: number) => props.pictures[i + 1]?.axis !== props.pictures[i]!.axis

/** Readings of a picture at the cursor, method by method; null where it shows another stretch. */
function readings(picture: ComparedPicture): readonly string[] | null {
  const { cursor } = selection
  if (cursor === null || cursor < picture.axis.from || cursor > picture.axis.to) return null
  return picture.lines.map((lines) => readingAt(picture, lines, cursor, write(picture), noun.value))
}

function point(picture: ComparedPicture, place: number | null) {
  selection.cursor = place === null ? (selection.selected?.t ?? null) : picture.axis.from + place
}
</script>

<template>
  <tbody>
    <template v-for="(picture, place) in pictures" :key="picture.title + picture.measure">
      <tr>
        <th scope="row">
          {{ picture.title }}
          <span class="muted range"
            >{{ write(picture)(picture.bounds.low) }} to
            {{ write(picture)(picture.bounds.high) }}</span
          >
          <span v-if="readings(picture)" class="range">{{
            ledger.labelAt(selection.cursor!)
          }}</span>
        </th>
        <td v-for="(lines, i) in picture.lines" :key="i" class="chart">
          <span v-if="lines.length === 0" class="muted small">has none</span>
          <SmallPicture
            v-else
            :lines="lines"
            :bounds="picture.bounds"
            :width="WIDTH"
            :height="picture.height"
            :label="`${picture.title}, ${titles[i]}`"
            :pointed="readings(picture) ? selection.cursor! - picture.axis.from : null"
            @point="point(picture, $event)"
          />
          <span class="reading">{{ readings(picture)?.[i] || '&nbsp;' }}</span>
        </td>
      </tr>
      <tr v-if="showsEnds(place)" class="ends">
        <th />
        <td v-for="(_, i) in results" :key="i" class="muted">
          <span>{{ ledger.labelAt(picture.axis.from) }}</span>
          <span>{{ ledger.labelAt(picture.axis.to) }}</span>
        </td>
      </tr>
    </template>
  </tbody>
</template>

<style scoped>
td {
  padding: 3px 12px !important;
  border-left: 1px solid var(--rule);
}

.chart {
  padding-top: 6px !important;
  padding-bottom: 2px !important;
  border-top: 1px solid var(--rule);
}

.range,
.reading {
  display: block;
  font-size: 11px;
}

.reading {
  font-variant-numeric: tabular-nums;
}

.ends td {
  height: auto !important;
  padding-top: 0 !important;
}

.ends span {
  font-size: 11px;
}

.ends span:last-child {
  float: right;
}
</style>
