<script setup lang="ts">
import { computed, ref } from 'vue'
import { LEGENDS, type Legend } from '~~/handover/picture/look'
import { LENGTH_UNITS } from './choices'
import { SIDE_LIMITS, usePictures, type PictureKind } from './pictureStore'

/** A picture of what is on the Bench as it will leave, and how it is to look. */
const open = defineModel<boolean>({ required: true })
const pictures = usePictures()

const SIDES = [
  { key: 'width', says: 'Width' },
  { key: 'height', says: 'Height' },
] as const
const RESOLUTIONS = [72, 96, 150, 300, 600] as const
const WEIGHTS = [
  { value: 0.75, title: 'fine lines' },
  { value: 1, title: 'usual lines' },
  { value: 1.5, title: 'heavy lines' },
  { value: 2.2, title: 'very heavy lines' },
]
const LETTERS = [6, 7, 8, 9, 10, 12, 14, 18]
const LEGEND_WORDS: Readonly<Record<Legend, string>> = {
  above: 'lines named above',
  right: 'lines named at the right',
  none: 'lines not named',
}
const SWITCHES = [
  { key: 'isEqual', says: 'equal scales for strips of one unit' },
  { key: 'isWindow', says: 'the periods on the screen alone' },
  { key: 'isBlack', says: 'in black alone' },
  { key: 'hasSource', says: 'Elvant and the day at its foot' },
] as const
const ENDS = [
  { key: 'low', says: 'from' },
  { key: 'high', says: 'to' },
] as const

const preview = computed(() =>
  pictures.svg === null
    ? null
    : `data:image/svg+xml;charset=utf-8,${encodeURIComponent(pictures.svg)}`,
)
const limits = computed(() => SIDE_LIMITS[pictures.choices.unit])
const name = ref('')
/** Which of all pictures leave together. */
const several = ref<string[]>([])
const wanted = computed(() => pictures.subjects.filter(({ id }) => several.value.includes(id)))

function takeSet(of: string | null) {
  const own = pictures.sets.find((one) => one.name === of)
  if (own) pictures.choose(own.choices)
}

function keepSet() {
  if (name.value.trim() === '') return
  pictures.keepSet(name.value.trim())
  name.value = ''
}

function setEnd(key: 'low' | 'high', text: unknown) {
  const figure = text === '' || text === null ? null : Number(text)
  pictures.scale = { ...pictures.scale, [key]: Number.isFinite(figure) ? figure : null }
}

function saveSeveral(kind: PictureKind) {
  void pictures.saveAll(wanted.value, kind)
}
</script>

<template>
  <v-dialog v-model="open" max-width="1060" scrollable aria-labelledby="picture-title">
    <h2 id="picture-title" class="serif dialog-title">A picture</h2>
    <div class="halves">
      <div class="preview">
        <img v-if="preview" :src="preview" :alt="pictures.subject?.title" />
        <p v-else class="muted">Nothing to draw.</p>
      </div>
      <div class="wishes">
        <v-select
          :model-value="pictures.subject?.id"
          :items="pictures.subjects.map(({ id, title }) => ({ value: id, title }))"
          aria-label="What the picture shows"
          @update:model-value="pictures.chosen = $event"
        />
        <v-text-field
          v-model="pictures.title"
          maxlength="200"
          aria-label="Title of the picture"
          placeholder="title; the name of the series when empty"
        />
        <p class="beside">
          <template v-for="side in SIDES" :key="side.key">
            <template v-if="side.key === 'height'">×</template>
            <v-text-field
              :model-value="pictures.choices[side.key]"
              type="number"
              :min="limits.least"
              :max="limits.most"
              :step="limits.step"
              :aria-label="`${side.says} of the picture, in ${pictures.choices.unit}`"
              @update:model-value="pictures.choose({ [side.key]: Number($event) })"
            />
          </template>
          <v-select
            class="unit"
            :model-value="pictures.choices.unit"
            :items="LENGTH_UNITS"
            aria-label="What the sides are counted in"
            @update:model-value="pictures.countIn($event)"
          />
        </p>
        <p v-if="pictures.choices.unit === 'cm'" class="beside">
          <v-select
            class="dots"
            :model-value="pictures.choices.dpi"
            :items="RESOLUTIONS.map((dpi) => ({ value: dpi, title: `${dpi} dpi` }))"
            aria-label="Dots an inch, of PNG"
            @update:model-value="pictures.choose({ dpi: $event })"
          />
        </p>
        <p v-if="pictures.problem" class="problem small" role="alert">{{ pictures.problem }}</p>
        <p class="beside">
          scale
          <template v-for="end in ENDS" :key="end.key">
            {{ end.says }}
            <v-text-field
              :model-value="pictures.scale[end.key]"
              type="number"
              :aria-label="`Scale of the first strip ${end.says}`"
              @update:model-value="setEnd(end.key, $event)"
            />
          </template>
        </p>
        <v-checkbox-btn
          :model-value="pictures.isHeld"
          label="hold this scale for the next pictures"
          :disabled="pictures.svg === null"
          @update:model-value="pictures.hold($event)"
        />
        <v-select
          :model-value="pictures.choices.legend"
          :items="LEGENDS.map((value) => ({ value, title: LEGEND_WORDS[value] }))"
          aria-label="Where the lines are named"
          @update:model-value="pictures.choose({ legend: $event })"
        />
        <p class="beside">
          <v-select
            class="wide"
            :model-value="pictures.choices.weight"
            :items="WEIGHTS"
            aria-label="Weight of the lines"
            @update:model-value="pictures.choose({ weight: $event })"
          />
          <v-select
            :model-value="pictures.choices.letters"
            :items="LETTERS.map((value) => ({ value, title: `${value} pt` }))"
            aria-label="Height of the letters"
            @update:model-value="pictures.choose({ letters: $event })"
          />
        </p>
        <v-checkbox-btn
          v-for="one in SWITCHES"
          :key="one.key"
          :model-value="pictures.choices[one.key]"
          :label="one.says"
          @update:model-value="pictures.choose({ [one.key]: $event })"
        />
        <h3>Choices under a name</h3>
        <p v-for="set in pictures.sets" :key="set.name" class="beside set">
          <v-btn class="small" @click="takeSet(set.name)">{{ set.name }}</v-btn>
          <v-btn
            class="small"
            variant="plain"
            :aria-label="`Forget ${set.name}`"
            @click="pictures.dropSet(set.name)"
            >forget</v-btn
          >
        </p>
        <form class="beside" @submit.prevent="keepSet()">
          <v-text-field
            v-model="name"
            class="name"
            maxlength="80"
            aria-label="Name of these choices"
            placeholder="For the board, 16 × 9 cm"
          />
          <v-btn type="submit" :disabled="name.trim() === ''">Keep</v-btn>
        </form>
        <h3>Several at once</h3>
        <v-select
          v-model="several"
          multiple
          :items="pictures.subjects.map(({ id, title }) => ({ value: id, title }))"
          aria-label="Pictures that leave together"
          placeholder="choose pictures"
        >
          <template #selection="{ index }">
            <span v-if="index === 0">{{ wanted.length }} pictures</span>
          </template>
        </v-select>
        <p class="beside acts">
          <v-btn :disabled="wanted.length === 0" @click="saveSeveral('svg')">Zip of SVG</v-btn>
          <v-btn :disabled="wanted.length === 0" @click="saveSeveral('png')">Zip of PNG</v-btn>
        </p>
      </div>
    </div>
    <p class="dialog-acts">
      <v-btn @click="open = false">Close</v-btn>
      <v-btn :disabled="pictures.svg === null" @click="pictures.copy()">Copy the picture</v-btn>
      <v-btn :disabled="pictures.svg === null" @click="pictures.save('svg')">Save as SVG</v-btn>
      <v-btn color="accent" :disabled="pictures.svg === null" @click="pictures.save('png')">
        Save as PNG
      </v-btn>
    </p>
  </v-dialog>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  overflow-y: auto;
  gap: 20px;
}

.preview {
  display: grid;
  position: sticky;
  top: 0;
  align-content: start;
  justify-items: center;
  height: min(70vh, 640px);
  padding: 14px;
  border-radius: 4px;
  background: var(--band);
}

.preview img {
  max-width: 100%;
  max-height: calc(min(70vh, 640px) - 28px);
  box-shadow: 0 1px 6px rgb(0 0 0 / 18%);
}

/* No grid: the controls name grid areas of their own. */
.wishes {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 2px;
}

.wishes > .v-input {
  flex: none;
}

h3 {
  margin: 8px 0 0;
  font-size: 0.95rem;
}

p,
form {
  margin: 0;
}

.beside {
  display: flex;
  align-items: center;
  gap: 6px;
}

.beside > .v-input {
  max-width: 92px;
}

.beside > .dots {
  flex: none;
  width: 116px;
  max-width: none;
}

.beside > .wide,
.beside > .name {
  max-width: none;
}

.set {
  justify-content: space-between;
}

.problem {
  color: var(--danger);
}

@media (width < 820px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }

  .preview {
    position: static;
    height: auto;
  }
}
</style>
