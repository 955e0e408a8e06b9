<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import {
  LENGTHS,
  PARTS,
  partsOf,
  type Length,
  type PartName,
  type Place,
} from '~~/handover/report/choices'
import { useCheck } from '../check/checkStore'
import { useBench } from '../study/benchStore'
import ParagraphField from './ParagraphField.vue'
import { useReport } from './reportStore'

/** What the report of the study has, and what the analyst says in it. */
const open = defineModel<boolean>({ required: true })
const bench = useBench()
const check = useCheck()
const report = useReport()

const LENGTH_WORDS: Readonly<Record<Length, string>> = {
  page: 'One page: the forecast, how it was made, what was done by hand',
  short: 'About three pages: also the series, its season, and how far to trust it',
  full: 'Everything: also every step of the calculation, and the terms',
}
/** Parts whose paragraph is open though nothing is written in it yet. */
const opened = ref<ReadonlySet<Place>>(new Set())

watch(
  open,
  (isOpen) => {
    opened.value = new Set()
    if (isOpen) void report.open()
    else void report.keep()
  },
  { immediate: true },
)

const isChecking = computed(() => check.state === 'running')
/** Also those that are left out, to be put in again. */
const parts = computed(() => partsOf({ length: report.choices.length, without: [] }))

function paragraph(place: Place): string {
  return report.choices.paragraphs[place] ?? ''
}

function say(place: Place, text: string) {
  report.choose({ paragraphs: { ...report.choices.paragraphs, [place]: text } })
}

function isIn(name: PartName): boolean {
  return !report.choices.without.includes(name)
}

function put(name: PartName, isWanted: boolean | null) {
  const others = report.choices.without.filter((one) => one !== name)
  report.choose({ without: isWanted ? others : [...others, name] })
}

function isWriting(place: Place): boolean {
  return paragraph(place) !== '' || opened.value.has(place)
}
</script>

<template>
  <v-dialog v-model="open" max-width="680" scrollable aria-labelledby="report-title">
    <h2 id="report-title" class="serif dialog-title">A report that answers</h2>
    <p class="muted small">
      One file that opens without Elvant and without a network, and prints well. Every figure in it
      can be clicked and shows how it came about.
    </p>
    <p v-if="report.state === 'loading'" role="status">Opening what you wrote…</p>
    <p v-else-if="report.state === 'failed'" role="alert">
      {{ report.failure }} <v-btn class="small" @click="report.open()">Try again</v-btn>
    </p>
    <div v-else class="body">
      <div v-if="report.loose.length > 0" class="loose" role="alert">
        <p>
          {{
            report.loose.length === 1
              ? 'A number in your paragraphs no longer holds:'
              : `${report.loose.length} numbers in your paragraphs no longer hold:`
          }}
        </p>
        <ul>
          <li v-for="(one, i) in report.loose" :key="i">
            {{ one.tie.text }}
            {{ one.now === null ? 'is of nothing that there still is' : `is ${one.now} now` }}
            <span class="muted"
              >({{ one.place === 'top' ? 'at the top' : PARTS[one.place].title }})</span
            >
          </li>
        </ul>
        <v-btn
          v-if="report.loose.some(({ now }) => now !== null)"
          class="small"
          @click="report.takePresent()"
        >
          Take the present figures
        </v-btn>
      </div>
      <v-radio-group
        :model-value="report.choices.length"
        hide-details
        aria-label="How long it is"
        @update:model-value="report.choose({ length: $event as Length })"
      >
        <v-radio
          v-for="length in LENGTHS"
          :key="length"
          :value="length"
          :label="LENGTH_WORDS[length]"
        />
      </v-radio-group>
      <h3>What you have to say</h3>
      <ParagraphField
        :model-value="paragraph('top')"
        label="At the top of the report"
        placeholder="a few lines at the top; an empty line begins a paragraph"
        :figures="report.figures"
        @update:model-value="say('top', $event)"
      />
      <div v-for="name in parts" :key="name" class="part">
        <div class="line">
          <v-checkbox-btn
            :model-value="isIn(name)"
            :label="PARTS[name].title"
            @update:model-value="put(name, $event)"
          />
          <v-btn
            v-if="isIn(name) && !isWriting(name)"
            class="small"
            :aria-label="`Say something at ${PARTS[name].title}`"
            @click="opened = new Set([...opened, name])"
          >
            Say something here
          </v-btn>
        </div>
        <ParagraphField
          v-if="isIn(name) && isWriting(name)"
          :model-value="paragraph(name)"
          :label="PARTS[name].title"
          placeholder="what you have to say of this"
          :figures="report.figures"
          @update:model-value="say(name, $event)"
        />
      </div>
    </div>
    <div class="foot">
      <template v-if="report.writing === 'running'">
        <v-progress-linear indeterminate aria-label="Writing the report" />
        <p class="dialog-acts"><v-btn @click="report.stop()">Stop</v-btn></p>
      </template>
      <template v-else>
        <p v-if="report.writing === 'failed' || report.writing === 'refused'" role="alert">
          It could not be written: {{ report.because }}
        </p>
        <p v-else-if="report.writing === 'done'" class="muted small" role="status">Saved.</p>
        <p class="dialog-acts">
          <span v-if="isChecking" class="muted small">The check is under way…</span>
          <v-btn @click="open = false">Close</v-btn>
          <v-btn
            color="accent"
            :disabled="!report.result || bench.isEarly || isChecking || report.state !== 'ready'"
            @click="report.save()"
          >
            Save the report
          </v-btn>
        </p>
      </template>
    </div>
  </v-dialog>
</template>

<style scoped>
.body {
  overflow-y: auto;
  margin: 8px -6px 0;
  padding: 2px 6px 8px;
}

p {
  margin: 0;
}

h3 {
  margin: 12px 0 6px;
  font-size: 0.95rem;
}

.part {
  margin-top: 8px;
}

.line {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
}

.loose {
  margin-bottom: 10px;
  padding: 8px 12px;
  border-left: 3px solid var(--accent);
  background: var(--band);
  font-size: 13px;
}

.loose ul {
  margin: 2px 0 6px;
  padding-left: 18px;
}

.foot {
  border-top: 1px solid var(--rule);
}

.foot .dialog-acts {
  align-items: center;
}
</style>
