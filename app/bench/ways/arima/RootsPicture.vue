<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatDecimals } from '~/figures/format'
import { modulus, type Root } from '~~/core/stateSpace/arima/polynomial'

/** Roots as one over them: within the circle the model is stationary and invertible, on it a difference too many or too few. */
const props = defineProps<{ ar: readonly Root[]; ma: readonly Root[] }>()
const isOpen = ref(false)
const SIZE = 150
const REACH = 1.12

const inverse = ({ re, im }: Root) => {
  const square = re * re + im * im
  return { re: re / square, im: -im / square }
}
const at = (value: number) => (SIZE / 2) * (1 + value / REACH)
const marks = computed(() =>
  (['ar', 'ma'] as const).flatMap((kind) =>
    props[kind].map((root) => {
      const { re, im } = inverse(root)
      return {
        ...{ kind, x: at(re), y: at(-im) },
        words: `${kind === 'ar' ? 'autoregressive' : 'moving-average'} root, modulus ${formatDecimals(modulus(root), 3)}`,
      }
    }),
  ),
)
const nearest = computed(() => Math.max(0, ...marks.value.map(({ x, y }) => distance(x, y))))
function distance(x: number, y: number): number {
  return Math.hypot(x / (SIZE / 2) - 1, y / (SIZE / 2) - 1) * REACH
}
</script>

<template>
  <div v-if="marks.length > 0">
    <v-btn class="small" color="accent" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      {{ isOpen ? 'hide the roots' : 'the roots on the unit circle' }}
    </v-btn>
    <figure v-if="isOpen">
      <svg
        :viewBox="`0 0 ${SIZE} ${SIZE}`"
        role="img"
        :aria-label="`${marks.length} roots, each as one over it; the outermost at ${formatDecimals(nearest, 3)} of the unit circle`"
      >
        <circle :cx="SIZE / 2" :cy="SIZE / 2" :r="SIZE / 2 / REACH" class="unit" />
        <line :x1="0" :x2="SIZE" :y1="SIZE / 2" :y2="SIZE / 2" class="axis" />
        <line :x1="SIZE / 2" :x2="SIZE / 2" :y1="0" :y2="SIZE" class="axis" />
        <circle
          v-for="(mark, i) in marks"
          :key="i"
          :cx="mark.x"
          :cy="mark.y"
          r="3.2"
          :class="mark.kind"
          :data-tip="mark.words"
        />
      </svg>
      <figcaption class="muted small">
        One over each root: filled ones autoregressive, open ones moving average. Near the circle a
        difference is wanted, or is one too many.
      </figcaption>
    </figure>
  </div>
</template>

<style scoped>
figure {
  margin: 4px 0 8px;
}

svg {
  display: block;
  width: 190px;
  margin: 0 auto;
}

.unit {
  fill: none;
  stroke: var(--rule-strong);
}

.axis {
  stroke: var(--rule);
}

.ar {
  fill: var(--irregular);
}

.ma {
  fill: var(--paper);
  stroke: var(--forecast);
  stroke-width: 1.5;
}
</style>
