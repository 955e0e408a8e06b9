<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { inReadersFigures } from '~/figures/format'
import FilePick from '~/shell/FilePick.vue'
import { recall, remember } from '~/storage/browserStorage'
import { LAST_ACTUALS, USUAL_THRESHOLDS } from '~~/core/catalogue/attention'
import { USUAL_CONTEST } from '~~/core/catalogue/usualContest'
import {
  beginRunSchema,
  MOST_IN_CONTEST,
  thresholdsSchema,
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
  contest: 'each by the nearest of several methods',
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
const takesFiles = computed(() => kind.value === 'given' || kind.value === 'contest')
/** Places of the usual methods that take part in a contest. */
const usual = ref(USUAL_CONTEST.map((_, i) => i))
/** Those from files: one, or as many as a contest has beside the usual ones. */
const chosen = computed(() => methods.value.slice(0, kind.value === 'given' ? 1 : undefined))
const inContest = computed(() => [
  ...usual.value.map((i) => USUAL_CONTEST[i]!.method),
  ...chosen.value.map(({ method }) => method),
])
const request = computed(() =>
  beginRunSchema.safeParse({
    task: { kind: 'work', source: source(), thresholds: numbers() },
    ...(props.ids ? { ids: props.ids } : {}),
  }),
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
    methods.value = kind.value === 'given' ? [one] : [...methods.value, one]
  } catch (error) {
    failure.value = (error as Error).message
  }
}

function source(): object {
  switch (kind.value) {
    case 'given':
      return { kind: 'given', method: chosen.value[0]?.method }
    case 'contest':
      return { kind: 'contest', methods: inContest.value }
    default:
      return { kind: kind.value }
  }
}

function begin() {
  if (!request.value.success) return
  remember(KEY, JSON.stringify(numbers()))
  open.value = false
  void work.begin(request.value.data)
}
</script>

<template>
  <v-dialog v-model="open" max-width="640" aria-labelledby="run-title">
    <form @submit.prevent="begin">
      <h2 id="run-title" class="serif dialog-title">Work {{ those }} through</h2>
      <v-radio-group v-model="kind" hide-details aria-label="Where the methods come from">
        <v-radio v-for="(label, value) in KINDS" :key="value" :value="value" :label="label" />
      </v-radio-group>
      <div v-if="takesFiles" class="files">
        <template v-if="kind === 'contest'">
          <v-checkbox
            v-for="(one, i) in USUAL_CONTEST"
            :key="one.says"
            v-model="usual"
            :value="i"
            :label="one.says"
            density="compact"
            hide-details
          />
        </template>
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
          {{ kind === 'contest' ? 'Others are' : 'A method is' }} saved on the Bench, under Hand
          over, or {{ kind === 'contest' ? 'come' : 'comes' }} from the command line.
        </p>
        <p
          v-if="kind === 'contest' && inContest.length > MOST_IN_CONTEST"
          class="failure"
          role="alert"
        >
          {{ inContest.length }} are too many; {{ MOST_IN_CONTEST }} are the most. Take some out.
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
        <v-btn variant="flat" type="submit" :disabled="!request.success">Work through</v-btn>
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

.files .v-checkbox {
  --v-input-control-height: 28px;
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
