<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { inReadersFigures } from '~/figures/format'
import FilePick from '~/shell/FilePick.vue'
import { recall, remember } from '~/storage/browserStorage'
import { LAST_ACTUALS, USUAL_THRESHOLDS } from '~~/core/catalogue/attention'
import {
  MOST_IN_CONTEST,
  thresholdsSchema,
  type BeginRun,
  type RunSource,
} from '~~/shared/api/catalogue'
import { useRun } from './runStore'

/** How series are worked through: where their methods come from, and from where on something is worth a look. */
const props = defineProps<{ ids: readonly string[] | undefined; those: string }>()
const open = defineModel<boolean>({ required: true })
const work = useRun()

const KEY = 'elvant.shelf.thresholds'
const kind = ref<RunSource['kind']>('study')
const methods = shallowRef<readonly { readonly name: string; readonly method: object }[]>([])
const failure = ref('')
const figures = ref(kept())

/** As they were last set in this browser. */
function kept() {
  try {
    const found = thresholdsSchema.safeParse(JSON.parse(recall(KEY) ?? 'null'))
    if (found.success) return found.data
  } catch {
    // What is no JSON was not kept by this page.
  }
  return { ...USUAL_THRESHOLDS }
}

const KINDS: Record<RunSource['kind'], string> = {
  study: 'each by the method of the study that opens with it',
  begin: 'each begun anew, as a new series is',
  given: 'all by one method, from a file',
  contest: 'each by the nearest of several methods, from files',
}
const FIELDS: {
  readonly key: keyof typeof USUAL_THRESHOLDS
  readonly says: string
  readonly unit: string
  readonly most: number
}[] = [
  { key: 'change', says: 'a forecast over or under last year by more than', unit: '%', most: 1000 },
  {
    key: 'outside',
    says: 'of the last three values outside their limits',
    unit: 'or more',
    most: LAST_ACTUALS,
  },
  { key: 'zeros', says: 'zeros at the end of what hardly had one', unit: 'or more', most: 100 },
  { key: 'behind', says: 'periods that it ends before the others', unit: 'or more', most: 1000 },
]
const most = computed(() => (kind.value === 'contest' ? MOST_IN_CONTEST : 1))
const fewest = computed(() => (kind.value === 'contest' ? 2 : 1))
const needsFiles = computed(() => kind.value === 'given' || kind.value === 'contest')
const chosen = computed(() => methods.value.slice(0, most.value))
const isReady = computed(
  () =>
    thresholdsSchema.safeParse(numbers()).success &&
    (!needsFiles.value || chosen.value.length >= fewest.value),
)

/** What is typed comes as text. */
function numbers() {
  return Object.fromEntries(FIELDS.map(({ key }) => [key, Number(figures.value[key])]))
}

async function pick(file: File) {
  failure.value = ''
  try {
    const { readMethod } = await import('~/shell/methodFile')
    const one = { name: file.name, method: await readMethod(file) }
    methods.value = kind.value === 'given' ? [one] : [...methods.value, one].slice(-most.value)
  } catch (error) {
    failure.value = (error as Error).message
  }
}

function source(): object {
  const own = chosen.value.map(({ method }) => method)
  if (kind.value === 'given') return { kind: 'given', method: own[0] }
  return kind.value === 'contest' ? { kind: 'contest', methods: own } : { kind: kind.value }
}

function begin() {
  if (!isReady.value) return
  const thresholds = numbers()
  remember(KEY, JSON.stringify(thresholds))
  open.value = false
  const task = { kind: 'work', source: source(), thresholds }
  void work.begin({ task, ...(props.ids ? { ids: props.ids } : {}) } as BeginRun)
}
</script>

<template>
  <v-dialog v-model="open" max-width="640" aria-labelledby="run-title">
    <form @submit.prevent="begin">
      <h2 id="run-title" class="serif dialog-title">Work {{ those }} through</h2>
      <v-radio-group v-model="kind" hide-details aria-label="Where the methods come from">
        <v-radio v-for="(label, value) in KINDS" :key="value" :value="value" :label="label" />
      </v-radio-group>
      <div v-if="needsFiles" class="files">
        <ul v-if="chosen.length > 0">
          <li v-for="one in chosen" :key="one.name">
            {{ one.name.slice(0, 100) }}
            <v-btn
              :aria-label="`Take ${one.name} out`"
              @click="methods = methods.filter((other) => other !== one)"
            >
              take out
            </v-btn>
          </li>
        </ul>
        <p v-else class="muted small">
          Methods are saved on the Bench, under Hand over, or come from the command line.
        </p>
        <FilePick accept=".json,application/json" @pick="pick">
          {{ kind === 'given' && chosen.length > 0 ? 'Another file' : 'Add a method' }}
        </FilePick>
      </div>
      <p v-if="kind !== 'study'" class="muted small">
        The study that opens with a series takes the method; the one it had stays beside it, named
        “before” and the day.
      </p>
      <p v-if="failure" class="failure" role="alert">{{ inReadersFigures(failure) }}</p>
      <h3 class="serif">Worth a look</h3>
      <div v-for="field in FIELDS" :key="field.key" class="field">
        <label :for="`threshold-${field.key}`">{{ field.says }}</label>
        <v-text-field
          :id="`threshold-${field.key}`"
          v-model="figures[field.key]"
          type="number"
          min="1"
          :max="field.most"
          hide-details
        />
        <span class="muted small">{{ field.unit }}</span>
      </div>
      <p class="muted small">
        Always: refused, typed wrongly, a level that changed, worse than without a method.
        <v-btn variant="plain" class="usual" @click="figures = { ...USUAL_THRESHOLDS }">
          as usual
        </v-btn>
      </p>
      <p class="dialog-acts">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn variant="flat" type="submit" :disabled="!isReady">Work through</v-btn>
      </p>
    </form>
  </v-dialog>
</template>

<style scoped>
h3 {
  margin: 16px 0 4px;
  font-size: 15px;
}

.files {
  margin: 4px 0 8px 32px;
}

.files ul {
  margin: 0 0 6px;
  padding-left: 18px;
}

.field {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 2px 0;
}

.field label {
  flex: 1 1 auto;
}

.field .v-text-field {
  flex: 0 0 84px;
}

.field span {
  flex: 0 0 56px;
}

.usual {
  padding: 0 4px;
  color: var(--accent);
}

.failure {
  color: var(--danger);
}
</style>
