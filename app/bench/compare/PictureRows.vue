<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals } from '~/figures/format'
import type { Result } from '~~/core/result'
import SmallPicture from '../figures/SmallPicture.vue'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'
import { comparedPictures, readingAt, type ComparedPicture } from './pictures'

/** The same pictures of every method, read at the period of the cursor, which the pointer and the arrows move. */
const props = defineProps<{ results: readonly Result[]; titles: readonly string[] }>()
/** Pixels of a picture before it is drawn as wide as its column. */
const WIDTH = 280

const ledger = useLedger()
const selection = useSelection()

const pictures = computed(() => comparedPictures(props.results))
const noun = computed(() => props.results[0]!.series.noun)
const amount = (value: number) =>
  formatDecimals(value / ledger.scale.divisor, ledger.scale.decimals)

/** Readings of a picture at the cursor, method by method; null where it shows another stretch. */
function readings(picture: ComparedPicture): readonly string[] | null {
  const { cursor } = selection
  if (cursor === null || cursor < picture.axis.from || cursor > picture.axis.to) return null
  return picture.lines.map((lines) => readingAt(picture, lines, cursor, amount, noun.value))
}

function point(picture: ComparedPicture, place: number | null) {
  selection.cursor = place === null ? (selection.selected?.t ?? null) : picture.axis.from + place
}
</script>

<template>
  <tbody>
    <template v-for="picture in pictures" :key="picture.title">
      <tr>
        <th scope="row">
          {{ picture.title }}
          <span class="muted range"
            >{{ amount(picture.bounds.low) }} to {{ amount(picture.bounds.high) }}</span
          >
          <span v-if="readings(picture)" class="range">{{
            ledger.labelAt(selection.cursor!)
          }}</span>
        </th>
        <td v-for="(lines, i) in picture.lines" :key="i" class="chart">
          <SmallPicture
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
      <tr v-if="picture.showsEnds" class="ends">
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
