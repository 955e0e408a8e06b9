<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue'
import { formatDecimals } from '~/figures/format'
import type { WeightSection } from '~~/core/stateSpace/sections'
import type { ShownWeight } from './weightsOf'

/** One weight under the hand, with the criterion along it and the place where it was chosen. */
const props = defineProps<{ weight: ShownWeight; section: WeightSection | null }>()
const emit = defineEmits<{ move: [weight: number]; still: [weight: number]; choose: [] }>()

/** A key pressed again within this time is one movement. */
const STILL_AFTER_MS = 600
const STEP = 0.01
/** Of −2 ln L above its lowest: what lies higher is cut off. */
const TALLEST = 12
const HEIGHT = 30

const isPhi = computed(() => props.weight.name === 'phi')
const least = computed(() => (isPhi.value ? 0.8 : 0))

/** In the hand; null when it lies where the result has it. */
const held = ref<number | null>(null)
const shown = computed(() => held.value ?? props.weight.value)
let isDragged = false
let timer: ReturnType<typeof setTimeout> | undefined
onScopeDispose(() => clearTimeout(timer))
// The result has come up with the hand.
watch(
  () => props.weight.value,
  (value) => {
    if (!isDragged && held.value !== null && Math.abs(value - held.value) < STEP / 2) {
      held.value = null
    }
  },
)

function move(weight: number): void {
  held.value = weight
  emit('move', weight)
  clearTimeout(timer)
  if (!isDragged) timer = setTimeout(still, STILL_AFTER_MS)
}

function still(): void {
  isDragged = false
  clearTimeout(timer)
  const weight = held.value
  held.value = null
  if (weight !== null) emit('still', Math.round(weight / STEP) * STEP)
}

/** A place along the slider in per cent of its width. */
const placeOf = (weight: number) => ((weight - least.value) / (1 - least.value)) * 100
const curve = computed(() => {
  if (!props.section) return ''
  const { at, above } = props.section
  return at
    .flatMap((weight, i) => {
      const height = above[i]
      if (height === null || height === undefined) return []
      const y = HEIGHT - 2 - (Math.min(height, TALLEST) / TALLEST) * (HEIGHT - 4)
      return [`${placeOf(weight).toFixed(2)},${(HEIGHT - y).toFixed(1)}`]
    })
    .join(' ')
})
const asGood = computed(() => props.section?.asGood ?? null)
const figure = (weight: number) => formatDecimals(weight, 2)
const sharpness = computed(() => {
  if (!props.section || !asGood.value) return ''
  const [from, to] = asGood.value
  const best = `best at ${figure(props.section.optimum)}`
  return to - from < STEP ? best : `${best}; ${figure(from)} to ${figure(to)} as good`
})
</script>

<template>
  <div class="weight">
    <div class="line">
      <span>{{ weight.says }}</span>
      <span class="small muted">{{ held === null ? weight.how : 'in the hand' }}</span>
      <v-btn
        v-if="weight.how === 'fixed'"
        class="small choose"
        color="accent"
        :aria-label="`Choose ${weight.says} again`"
        @click="emit('choose')"
      >
        choose again
      </v-btn>
      <strong class="value">{{
        weight.how === 'without effect' && held === null ? '–' : formatDecimals(shown, 3)
      }}</strong>
    </div>
    <div class="track">
      <svg
        v-if="section"
        class="curve"
        :viewBox="`0 0 100 ${HEIGHT}`"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <rect
          v-if="asGood"
          class="good"
          :x="placeOf(asGood[0])"
          y="0"
          :width="Math.max(0.6, placeOf(asGood[1]) - placeOf(asGood[0]))"
          :height="HEIGHT"
        />
        <polyline :points="curve" />
        <line
          class="optimum"
          :x1="placeOf(section.optimum)"
          :x2="placeOf(section.optimum)"
          y1="0"
          :y2="HEIGHT"
        />
      </svg>
      <v-slider
        :model-value="shown"
        :min="least"
        :max="1"
        :step="STEP"
        :aria-label="weight.says"
        @start="isDragged = true"
        @end="still()"
        @update:model-value="move"
      />
    </div>
    <p class="small muted sharpness">{{ sharpness }}</p>
  </div>
</template>

<style scoped>
.weight {
  margin: 8px 0 2px;
}

.line {
  display: flex;
  align-items: baseline;
  gap: 8px;
}

.value {
  margin-left: auto;
  font-variant-numeric: tabular-nums;
}

.track {
  position: relative;
  padding-top: 22px;
}

.curve {
  position: absolute;
  top: 0;
  /* As far in as the slider's own track. */
  left: 8px;
  width: calc(100% - 16px);
  height: 30px;
}

.curve polyline {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
}

.good {
  fill: var(--accent);
  opacity: 0.14;
}

.optimum {
  stroke: var(--accent);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

.sharpness {
  margin: 0;
}
</style>
