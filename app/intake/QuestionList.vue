<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Question } from '~~/intake/reading'
import { useIntake } from './intakeStore'

/** Where more than one reading is possible: each answer with what follows from it. */
const props = defineProps<{ questions: readonly Question[] }>()
const intake = useIntake()

/** What keeps the file waiting comes first. */
const ordered = computed(() =>
  [...props.questions].sort((a, b) => Number(a.answer !== null) - Number(b.answer !== null)),
)
/** A choice that was not asked for is folded away; one that was stays as it is, so that nothing moves under the hand. */
const MANY = 4
const asked = ref(new Set<string>())
watch(
  () => props.questions,
  (questions) => {
    for (const { id, answer } of questions) if (answer === null) asked.value.add(id)
  },
  { immediate: true },
)
function isFolded({ id, options, answer }: Question): boolean {
  return options.length > MANY && answer !== null && !asked.value.has(id)
}

function say(id: string, event: Event) {
  void intake.answer(id, (event.target as HTMLInputElement).value.trim())
}
</script>

<template>
  <section v-if="questions.length > 0" class="questions" aria-label="Questions about the file">
    <fieldset
      v-for="question in ordered"
      :key="question.id"
      :class="{ open: question.answer === null }"
    >
      <legend>{{ question.ask }}</legend>
      <template v-if="question.options.length === 0">
        <v-text-field
          :model-value="question.answer ?? ''"
          :aria-label="question.ask"
          maxlength="40"
          @change="say(question.id, $event)"
        />
        <p v-for="option in question.proposed" :key="option.value" class="proposal">
          <v-btn @click="intake.answer(question.id, option.value)"> take {{ option.value }} </v-btn>
          <span class="muted small proposed">{{ option.consequence }}</span>
        </p>
      </template>
      <v-select
        v-else-if="isFolded(question)"
        :aria-label="question.ask"
        :items="
          question.options.map(({ value, consequence }) => ({
            value,
            title: `${value}: ${consequence}`,
          }))
        "
        :model-value="question.answer"
        @update:model-value="intake.answer(question.id, $event)"
      />
      <v-radio-group
        v-else
        :aria-label="question.ask"
        :model-value="question.answer"
        @update:model-value="intake.answer(question.id, $event as string)"
      >
        <v-radio v-for="option in question.options" :key="option.value" :value="option.value">
          <template #label>
            <span class="option">
              <strong dir="auto">{{ option.value.replaceAll('-', ' ') }}</strong>
              {{ option.consequence }}
            </span>
          </template>
        </v-radio>
      </v-radio-group>
    </fieldset>
  </section>
</template>

<style scoped>
.questions {
  margin: 12px 0;
}

fieldset {
  margin: 0 0 10px;
  padding: 2px 0 4px 12px;
  border: 0;
  border-left: 3px solid var(--rule-strong);
}

.open {
  border-left-color: var(--cursor);
  background: var(--band);
}

legend {
  float: left;
  width: 100%;
  padding: 4px 0;
  font-weight: 600;
  overflow-wrap: anywhere;
}

legend + * {
  clear: both;
}

fieldset .proposal {
  margin: 5px 0;
}

.proposed {
  margin-left: 8px;
}

.option {
  display: flex;
  align-items: baseline;
  padding: 2px 0;
  gap: 8px;
  cursor: pointer;
}

select {
  max-width: 100%;
}
</style>
