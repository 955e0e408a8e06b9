<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { formatDay, READERS_FIGURES } from '~/figures/format'
import { useNotices } from '~/shell/noticeStore'
import { svgAsPng } from '~/shell/pictureFile'
import { fileName, saveBlob } from '~/shell/takeAway'
import { recall, remember } from '~/storage/browserStorage'
import { leastHeight, pictureAsSvg } from '~~/handover/picture/picture'
import { pictureOfResult } from '~~/handover/picture/pictureOfResult'
import { centimetresOf, pixelsOf } from '~~/handover/picture/size'
import { stageOf } from '../stage/stages'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { usePlaneStrips } from '../view/strips/planeStrips'

/** The strips of the stage, or one of them, as a picture on light paper, of a size. */
const emit = defineEmits<{ taken: [] }>()
const bench = useBench()
const ledger = useLedger()
const notices = useNotices()
const { strips } = usePlaneStrips()

const SIDES = [
  { key: 'width', says: 'Width', least: 6 },
  { key: 'height', says: 'Height', least: 4 },
] as const
const RESOLUTIONS = [96, 150, 300, 600] as const
const MOST_CM = 100
const KEY = 'elvant.picture'
interface Size {
  width: number
  height: number
  readonly dpi: number
  readonly isBlack: boolean
}
const size = ref<Size>(remembered())
watch(size, (now) => remember(KEY, JSON.stringify(now)), { deep: true })

function remembered(): Size {
  const usual = { width: 16, height: 12, dpi: 150, isBlack: false }
  try {
    return { ...usual, ...(JSON.parse(recall(KEY) ?? '{}') as Partial<Size>) }
  } catch {
    return usual
  }
}

const whole = computed(() => `All strips at ${stageOf(ledger.stage).label}`)
const choices = computed(() => [
  { value: '', title: whole.value },
  ...strips.value.map(({ id, title }) => ({ value: id, title })),
])
const chosen = ref('')
const shown = computed(() => {
  const own = strips.value.filter(({ id }) => id === chosen.value)
  return own.length > 0 ? own : strips.value
})
const px = (cm: number) => Math.round(pixelsOf(cm))
const leastCm = computed(() => Math.ceil(10 * centimetresOf(leastHeight(shown.value))) / 10)
/** Why a size cannot be drawn; empty for one that can. */
const problem = computed(() => {
  const { width, height } = size.value
  if (!(width >= 6 && width <= MOST_CM)) return `The width must be 6 to ${MOST_CM} cm.`
  if (height >= leastCm.value && height <= MOST_CM) return ''
  return `The height must be ${leastCm.value} to ${MOST_CM} cm for what is shown.`
})

function svg(): string {
  const { name } = bench.series!
  return pictureAsSvg(
    pictureOfResult(bench.shown!, shown.value, READERS_FIGURES, {
      title: name,
      source: `Elvant, ${formatDay(Date.now())}`,
    }),
    {
      ...{ width: px(size.value.width), height: px(size.value.height) },
      isBlack: size.value.isBlack,
    },
  )
}

function nameOf(kind: string): string {
  const what = chosen.value === '' ? stageOf(ledger.stage).label : shown.value[0]!.title
  return `${fileName(bench.series!.name)} - ${what}.${kind}`
}

function saveSvg() {
  saveBlob(new Blob([svg()], { type: 'image/svg+xml' }), nameOf('svg'))
  emit('taken')
}

async function savePng() {
  try {
    saveBlob(await svgAsPng(svg(), size.value.dpi), nameOf('png'))
    emit('taken')
  } catch (error) {
    notices.show({ text: (error as Error).message })
  }
}

async function copy() {
  try {
    const png = await svgAsPng(svg(), size.value.dpi)
    await navigator.clipboard.write([new ClipboardItem({ 'image/png': png })])
    notices.show({ text: 'Copied; paste it into a document.' })
    emit('taken')
  } catch {
    notices.show({ text: 'The browser did not allow copying. Save it as PNG instead.' })
  }
}
</script>

<template>
  <section aria-labelledby="hand-over-picture">
    <h2 id="hand-over-picture">A picture</h2>
    <v-select v-model="chosen" :items="choices" aria-label="What the picture shows" />
    <p class="size">
      <template v-for="side in SIDES" :key="side.key">
        <template v-if="side.key === 'height'">×</template>
        <v-text-field
          v-model.number="size[side.key]"
          type="number"
          :min="side.least"
          step="0.5"
          :aria-label="`${side.says} of the picture, in cm`"
        />
      </template>
      cm
      <v-select
        v-model="size.dpi"
        class="dots"
        :items="RESOLUTIONS.map((dpi) => ({ value: dpi, title: `${dpi} dpi` }))"
        aria-label="Dots an inch, of PNG"
      />
    </p>
    <v-checkbox-btn v-model="size.isBlack" label="in black alone" />
    <p v-if="problem" class="problem small" role="alert">{{ problem }}</p>
    <div class="acts">
      <v-btn :disabled="problem !== ''" @click="copy()">Copy the picture</v-btn>
      <v-btn :disabled="problem !== ''" @click="saveSvg()">Save as SVG</v-btn>
      <v-btn :disabled="problem !== ''" @click="savePng()">Save as PNG</v-btn>
    </div>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 4px;
  font-size: 0.95rem;
}

.size {
  display: flex;
  align-items: center;
  gap: 6px;
  margin: 6px 0 8px;
}

.size > * {
  max-width: 84px;
}

.size > .dots {
  max-width: 118px;
}

.problem {
  margin: 0 0 8px;
  color: var(--danger);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
