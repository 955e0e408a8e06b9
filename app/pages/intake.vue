<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { preloadRouteComponents, useRouter } from '#app'
import DropPlace from '~/intake/DropPlace.vue'
import QuestionList from '~/intake/QuestionList.vue'
import RawRows from '~/intake/RawRows.vue'
import ReadSeriesList from '~/intake/ReadSeriesList.vue'
import { useIntake } from '~/intake/intakeStore'
import { newsOfKept } from '~/kept/news'
import { useShelf } from '~/shelf/shelfStore'
import { useNotices } from '~/shell/noticeStore'
import PageHead from '~/shell/PageHead.vue'
import { isTyping } from '~/shell/isTyping'
import type { Layout } from '~~/intake/reading'

const intake = useIntake()
const shelf = useShelf()
const router = useRouter()
const keeping = ref(false)
const LAYOUTS: Record<Layout, string> = {
  columns: 'a column for each series',
  long: 'a long table',
  matrix: 'a matrix of years and seasons',
  across: 'periods across',
  undated: 'figures without years or dates',
}
/** Layouts whose headings are found by what stands in them. */
const TURNED: readonly Layout[] = ['matrix', 'across', 'undated']
/** The line of the headings as the analyst said it, or as it was found. */
const headerLine = computed(() => {
  const said = intake.answers.header
  if (said !== undefined) return said === 'none' ? '' : said
  return intake.headerLine === null ? '' : String(intake.headerLine)
})
function sayHeader(event: Event) {
  const line = (event.target as HTMLInputElement).value.trim()
  void intake.answer('header', /^\d+$/.test(line) ? line : 'none')
}

const layouts = Object.entries(LAYOUTS).map(([value, title]) => ({ value, title }))
const chosen = computed(() => intake.candidates.filter((candidate) => candidate.wanted))
const nameless = computed(() => chosen.value.some(({ name }) => name.trim() === ''))

/** Text from a spreadsheet can be pasted anywhere on this page. */
function onPaste(event: ClipboardEvent) {
  if (isTyping(event as unknown as KeyboardEvent)) return
  const text = event.clipboardData?.getData('text/plain')
  if (text) void intake.readText(text)
}
onMounted(() => {
  addEventListener('paste', onPaste)
  // A file can hold newer values of series that are kept already.
  void shelf.load()
  void preloadRouteComponents('/')
})
onBeforeUnmount(() => {
  removeEventListener('paste', onPaste)
  intake.clear()
})

async function keep() {
  keeping.value = true
  try {
    const { studies, updated } = await intake.keep()
    await router.push(studies.length === 1 ? `/study/${studies[0]}` : '/')
    const said = await newsOfKept(updated)
    if (said) useNotices().show({ text: said })
  } catch (error) {
    useNotices().show({ text: (error as Error).message })
  } finally {
    keeping.value = false
  }
}
</script>

<template>
  <PageHead>
    <h1 class="title">Bring in a file</h1>
    <template v-if="intake.state === 'read'" #actions>
      <v-btn @click="intake.clear()">Another file</v-btn>
    </template>
  </PageHead>
  <main class="intake">
    <DropPlace v-if="intake.state === 'empty'" />
    <p v-else-if="intake.state === 'reading'" class="muted" role="status">
      Reading {{ intake.fileName }}: {{ intake.progress }}
      <v-btn color="accent" @click="intake.clear()">Cancel</v-btn>
    </p>
    <div v-else-if="intake.reading" class="halves">
      <section class="raw" aria-labelledby="raw-title">
        <h2 id="raw-title" class="serif">The file</h2>
        <p class="muted small file-name" dir="auto">
          {{ intake.fileName }}
          <template v-if="intake.reading.container">· {{ intake.reading.container }}</template>
        </p>
        <p v-if="intake.reading.shape.layout" class="muted small choices">
          Read as
          <v-select
            class="layout"
            aria-label="Layout of the file"
            :items="layouts"
            :model-value="intake.reading.shape.layout"
            @update:model-value="intake.answer('layout', $event)"
          />
          <template v-if="!TURNED.includes(intake.reading.shape.layout)">
            headings on line
            <v-text-field
              class="layout line"
              aria-label="Line of the headings"
              placeholder="none"
              :model-value="headerLine"
              @change="sayHeader"
            />
          </template>
        </p>
        <RawRows :reading="intake.reading" :row-count="intake.rowCount" />
      </section>
      <section class="reading" aria-labelledby="reading-title">
        <template v-if="intake.reading.outcome === 'question'">
          <h2 id="reading-title" class="serif">
            {{
              intake.openQuestions.length === 1
                ? 'One thing to decide'
                : `${intake.openQuestions.length} things to decide`
            }}
          </h2>
          <QuestionList :questions="intake.reading.questions" />
          <p class="muted">Nothing is kept before this is answered.</p>
        </template>
        <template v-else-if="intake.reading.outcome === 'ok'">
          <h2 id="reading-title" class="serif">What Elvant reads in it</h2>
          <p v-if="intake.isRemembered" class="muted">
            Read with your answers to the last file like this.
            <v-btn color="accent" @click="intake.startOver()"> Read it anew </v-btn>
          </p>
          <QuestionList :questions="intake.reading.questions" />
          <ReadSeriesList />
          <ul v-if="intake.reading.notes.length > 0" class="notes">
            <li v-for="note in intake.reading.notes" :key="note.code + note.where">
              {{ note.text }} <span class="muted">({{ note.where }})</span>
            </li>
          </ul>
          <p class="keep-line">
            <v-btn
              variant="flat"
              :disabled="keeping || chosen.length === 0 || nameless"
              @click="keep"
            >
              {{
                chosen.length === 1
                  ? chosen[0]!.known && chosen[0]!.updates
                    ? 'Keep and bring it up to date'
                    : 'Keep this series'
                  : `Keep ${chosen.length} of ${intake.candidates.length} series`
              }}
            </v-btn>
            <span class="muted">{{
              nameless ? 'A series needs a name.' : 'Nothing is kept before this.'
            }}</span>
          </p>
        </template>
        <div v-else role="alert">
          <h2 id="reading-title" class="serif">This file is not understood yet</h2>
          <ul class="problems">
            <li v-for="(problem, i) in intake.reading.problems" :key="i">
              <strong v-if="problem.line !== null || problem.column !== null" class="where">
                {{
                  [
                    problem.line !== null ? `Line ${problem.line}` : '',
                    problem.column !== null ? `column ${problem.column}` : '',
                  ]
                    .filter(Boolean)
                    .join(', ')
                }}
              </strong>
              {{ problem.because }}
            </li>
          </ul>
          <p class="muted">Nothing was kept. Mend the file and bring it in again.</p>
          <QuestionList :questions="intake.reading.questions" />
          <v-btn
            v-if="Object.keys(intake.answers).length > 0"
            color="accent"
            @click="intake.startOver()"
          >
            Read it anew
          </v-btn>
          <v-btn variant="flat" @click="intake.clear()">Another file</v-btn>
        </div>
      </section>
    </div>
  </main>
</template>

<style scoped>
.title {
  font-size: 15px;
}

.intake {
  padding: 24px 28px 64px;
}

.halves {
  display: grid;
  grid-template-columns: minmax(320px, 1fr) minmax(380px, 1fr);
  gap: 40px;
}

@media (width < 980px) {
  .intake {
    padding: 16px 12px 48px;
  }

  .halves {
    grid-template-columns: minmax(0, 1fr);
    gap: 20px;
  }
}

.raw {
  min-width: 0;
}

h2 {
  font-size: 18px;
}

.file-name {
  overflow: hidden;
  margin: 2px 0 6px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  margin: 0 0 8px;
}

.layout {
  display: inline-flex;
  flex: none;
  width: 220px;
}

.layout.line {
  width: 66px;
}

.notes,
.problems {
  padding-left: 18px;
  line-height: 1.6;
}

.notes,
.problems {
  margin: 10px 0 16px;
}

.problems {
  overflow-wrap: anywhere;
}

.problems li {
  margin-bottom: 6px;
}

.where {
  color: var(--danger);
}

/* In sight however many series were read. */
.keep-line {
  position: sticky;
  z-index: 1;
  bottom: 0;
  display: flex;
  align-items: center;
  gap: 14px;
  margin: 20px 0 0;
  padding: 10px 0 12px;
  border-top: 1px solid var(--rule);
  background: var(--paper);
}
</style>
