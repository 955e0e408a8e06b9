<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import type { MethodChange } from '~~/core/finding'
import type { Field } from '~~/core/word'
import FieldRow from './FieldRow.vue'
import { useBench } from '../study/benchStore'
import { useTriedChange } from '../controls/triedChange'

/** The figures and choices behind a word, each changed at once: what it does is seen behind this sheet. */
const props = defineProps<{ lead?: string; fields: readonly Field[]; usual: MethodChange }>()
defineEmits<{ done: [] }>()
const bench = useBench()
const all = computed(() => props.fields.map(withFound))
const common = computed(() => all.value.filter(({ rare }) => !rare))
const rare = computed(() => all.value.filter((field) => field.rare))

/** A field of what is chosen shows what was chosen: a result has it where the document would name it. */
function withFound(field: Field): Field {
  if (field.kind !== 'number' || !field.isOpen) return field
  const found = field.path.reduce<unknown>(
    (part, key) => (part as Record<string, unknown> | null | undefined)?.[key],
    bench.result,
  )
  return typeof found === 'number' ? { ...field, value: Number(found.toFixed(3)) } : field
}

const { problem, change } = useTriedChange()

function set({ path }: Field, value: unknown) {
  change(path.reduceRight<unknown>((inner, key) => ({ [key]: inner }), value) as MethodChange)
}

const keyOf = ({ label, kind }: Field) => `${label} ${kind}`
</script>

<template>
  <form class="form" @submit.prevent="$emit('done')">
    <p v-if="lead" class="lead">{{ lead }}</p>
    <FieldRow
      v-for="field in common"
      :key="keyOf(field)"
      :field="field"
      @set="set(field, $event)"
      @taken="(set(field, $event), $emit('done'))"
      @refused="problem = $event"
    />
    <v-expansion-panels v-if="rare.length > 0">
      <v-expansion-panel title="All parameters">
        <v-expansion-panel-text>
          <FieldRow
            v-for="field in rare"
            :key="keyOf(field)"
            :field="field"
            @set="set(field, $event)"
            @refused="problem = $event"
          />
        </v-expansion-panel-text>
      </v-expansion-panel>
    </v-expansion-panels>
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
    <p class="ends">
      <v-btn color="accent" @click="change(usual)">usual values</v-btn>
      <v-btn variant="flat" type="submit">Done</v-btn>
    </p>
  </form>
</template>

<style scoped>
.form {
  max-width: 460px;
  padding: 12px 16px 14px;
}

.lead {
  max-width: 300px;
  margin: 0 0 6px;
}

.refused {
  margin: 6px 0 0;
  color: var(--danger);
}

.ends {
  display: flex;
  gap: 24px;
  justify-content: space-between;
  margin: 10px 0 0;
}
</style>
