<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { DisplayScale } from '~~/core/words/displayScale'
import { useTheme } from '~/theme/themeStore'
import { xOf, type TimeAxis } from '~~/core/picture/draw/timeAxis'
import { captionHeight, isNamedOver, namesOf } from './caption'
import MarkSample from './MarkSample.vue'
import { Chart, redraw, sizeOf, stripConfiguration, type StripDrawing } from './stripChart'
import type { ValueAxis } from '../axis/valueAxis'
import type { Point, Strip } from '~~/core/picture/strips'
import { figureLabel, stripSummary } from '~~/core/picture/summary'
import { READERS_FIGURES } from '~/figures/format'

const props = defineProps<{
  strip: Strip
  axis: TimeAxis
  scale: DisplayScale
  height: number
  gutter: number
  /** Whether the vertical scale follows the window. */
  byWindow?: boolean
  /** The period under the pointer; null when it is elsewhere. */
  pointed?: number | null
  /** What a place on the axis is called. */
  nameAt: (x: number) => string
}>()
const emit = defineEmits<{ scaled: [axis: ValueAxis] }>()
const theme = useTheme()
const named = computed(() => props.strip.layers.filter(({ label }) => label !== ''))
const room = computed(() => ({ gutter: props.gutter, plotWidth: props.axis.width }))
const over = computed(() => (isNamedOver(room.value) ? captionHeight(props.strip, room.value) : 0))
const chartHeight = computed(() => props.height - over.value)
const canvas = ref<HTMLCanvasElement | null>(null)
let chart: Chart<'line', Point[]> | null = null
let drawn: StripDrawing

function drawing(): StripDrawing {
  const { strip, axis, scale, gutter, byWindow } = props
  const { palette } = theme
  return { strip, axis, scale, gutter, byWindow, height: chartHeight.value, palette }
}

function make() {
  chart?.destroy()
  drawn = drawing()
  const [width, height] = sizeOf(drawn)
  Object.assign(canvas.value!, { width, height })
  chart = new Chart(canvas.value!, stripConfiguration(drawn, drawing))
  tellScale()
}
onMounted(make)

/** What lies over the chart is placed by its scale, which the chart itself has rounded. */
let told = ''
function tellScale() {
  const { min, max, top, bottom } = chart!.scales.y!
  const scale = { low: min, high: max, top, bottom }
  if (JSON.stringify(scale) === told) return
  told = JSON.stringify(scale)
  emit('scaled', scale)
}

/** The picture in words; they are put together once the hand is still, since a repaint does not wait for them. */
const SUMMED_UP_AFTER_MS = 250
const summary = ref('')
let waiting: ReturnType<typeof setTimeout> | undefined
watch(
  () => [props.strip, props.scale],
  () => {
    clearTimeout(waiting)
    waiting = setTimeout(
      () =>
        (summary.value = stripSummary(props.strip, {
          ...{ scale: props.scale, says: READERS_FIGURES, nameAt: props.nameAt },
        })),
      SUMMED_UP_AFTER_MS,
    )
  },
  { immediate: true },
)
onBeforeUnmount(() => clearTimeout(waiting))
onBeforeUnmount(() => chart?.destroy())

watch(
  [() => [props.strip, props.axis, props.scale, props.byWindow], () => theme.palette, chartHeight],
  () => {
    if (!chart) return
    const [before, now] = [drawn, drawing()]
    if (now.scale !== before.scale || now.palette !== before.palette) return make()
    drawn = now
    redraw(chart, now, before)
    tellScale()
  },
)

/** What every named layer shows at the period under the pointer. */
const values = computed(() => {
  const { pointed, strip, scale } = props
  if (pointed === null || pointed === undefined) return []
  const read = named.value.flatMap((layer) => {
    if (layer.kind !== 'series' || layer.unread) return []
    const y = layer.points.find(({ x }) => x === pointed)?.y ?? null
    return y === null ? [] : [{ layer, y }]
  })
  // Where one line goes on as another they share a point, which is the first one's.
  const isShared = ({ layer: { component }, y }: (typeof read)[number], place: number) =>
    read.slice(0, place).some((one) => one.layer.component === component && one.y === y)
  return read.flatMap((one, place) =>
    isShared(one, place)
      ? []
      : [`${one.layer.label} ${figureLabel(strip, scale, one.y, READERS_FIGURES)}`],
  )
})
/** Beside the pointer, on the side where there is room. */
const valuesPlace = computed(() => {
  const left = props.gutter + xOf(props.axis, props.pointed ?? 0)
  const toTheRight = props.gutter + props.axis.width - left
  return toTheRight > 190
    ? { left: `${left + 12}px` }
    : { right: `calc(100% - ${left - 12}px)`, textAlign: 'right' as const }
})
</script>

<template>
  <figure class="strip" :class="{ over: over > 0 }" :style="{ minHeight: `${height}px` }">
    <figcaption class="title" :style="over > 0 ? { minHeight: `${over}px` } : undefined">
      <span class="name">{{ strip.title }}</span>
      <span class="unit measure">{{ strip.unit }}</span>
      <span v-if="strip.spans" class="unit spans">{{ strip.spans }}</span>
      <span v-if="strip.legend" class="unit">{{ strip.legend }}</span>
      <ul v-else-if="namesOf(strip).length > 0" class="layers">
        <li v-for="layer in named" :key="layer.label">
          <MarkSample
            :mark="layer.kind === 'series' ? layer.mark : 'band'"
            :component="layer.kind === 'series' ? layer.component : 'forecast'"
            :opacity="layer.kind === 'series' ? layer.opacity : undefined"
          />
          {{ layer.label }}
        </li>
      </ul>
    </figcaption>
    <p v-if="values.length > 0" class="values" :style="valuesPlace" aria-hidden="true">
      <span v-for="value in values" :key="value">{{ value }}</span>
    </p>
    <canvas
      ref="canvas"
      role="img"
      :aria-label="`${summary || strip.title} The figures stand in the ledger below.`"
    />
  </figure>
</template>

<style scoped>
/* Words and chart share a place, so that the strip is as high as the higher of the two. */
.strip {
  position: relative;
  display: grid;
  align-content: start;
  grid-template-columns: 100%;
  margin: 0;
  box-sizing: border-box;
  border-bottom: 1px solid var(--rule);
}

canvas {
  display: block;
  grid-area: 1 / 1;
}

.title {
  grid-area: 1 / 1;
  width: calc(var(--gutter) - 48px);
  padding: 6px 0 4px 12px;
  box-sizing: border-box;
  line-height: 1.3;
  pointer-events: none;
}

.name {
  margin-right: 5px;
  font-size: 12px;
  font-weight: 600;
  overflow-wrap: anywhere;
}

.values {
  position: absolute;
  top: 4px;
  z-index: 1;
  display: flex;
  flex-direction: column;
  margin: 0;
  padding: 2px 6px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--sheet);
  font-size: 11px;
  line-height: 1.3;
  pointer-events: none;
  white-space: nowrap;
}

.unit {
  display: block;
  color: var(--muted);
  font-size: 11px;
  line-height: 1.25;
}

.measure {
  display: inline;
}

.layers {
  margin: 3px 0 0;
  padding: 0;
  color: var(--muted);
  font-size: 11px;
  line-height: 1.25;
  list-style: none;
}

.layers li {
  display: grid;
  grid-template-columns: 20px 1fr;
  align-items: start;
  gap: 3px;
}

.over canvas {
  grid-row: 2;
}

.over .title {
  display: flex;
  flex-wrap: wrap;
  align-content: start;
  width: auto;
  padding: 5px 12px 0;
  box-sizing: border-box;
  column-gap: 5px;
}

.over .name {
  margin: 0;
}

.over .layers {
  display: flex;
  flex: 1 0 100%;
  flex-wrap: wrap;
  margin: 0;
  column-gap: 10px;
}
</style>
