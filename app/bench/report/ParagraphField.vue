<script setup lang="ts">
import { nextTick, ref, useTemplateRef } from 'vue'
import { tieText, type Tie } from '~~/handover/report/ties'
import type { Tieable } from '~~/handover/report/tieable'
import { MOST_LETTERS } from '~~/shared/api/report'

/** A paragraph of the analyst's own, into which figures can be put that stay tied to their study. */
const text = defineModel<string>({ required: true })
defineProps<{ label: string; placeholder: string; figures: readonly Tieable[] }>()
const field = useTemplateRef('field')
const isOpen = ref(false)

/** Where the hand is; it is asked for when the menu opens, since it moves away then. */
let at = 0
function remember() {
  at = textarea()?.selectionStart ?? text.value.length
}

function textarea(): HTMLTextAreaElement | null {
  return (field.value?.$el as HTMLElement | undefined)?.querySelector('textarea') ?? null
}

async function put(tie: Tie) {
  const own = tieText(tie)
  text.value = text.value.slice(0, at) + own + text.value.slice(at)
  isOpen.value = false
  await nextTick()
  textarea()?.focus()
  textarea()?.setSelectionRange(at + own.length, at + own.length)
}
</script>

<template>
  <div class="paragraph">
    <v-textarea
      ref="field"
      v-model="text"
      rows="2"
      auto-grow
      max-rows="8"
      hide-details
      :maxlength="MOST_LETTERS"
      :aria-label="label"
      :placeholder="placeholder"
    />
    <v-menu v-model="isOpen" location="bottom start">
      <template #activator="{ props: activator }">
        <v-btn
          class="small"
          :disabled="figures.length === 0"
          v-bind="activator"
          :aria-owns="undefined"
          @mousedown="remember()"
          @keydown.enter="remember()"
        >
          Put in a figure
        </v-btn>
      </template>
      <v-list density="compact" max-height="300">
        <v-list-item v-for="(one, i) in figures" :key="i" @click="put(one.tie)">
          <span class="figure"
            ><span>{{ one.label }}</span> <span>{{ one.tie.text }}</span></span
          >
        </v-list-item>
      </v-list>
    </v-menu>
  </div>
</template>

<style scoped>
.paragraph {
  display: grid;
  justify-items: start;
  gap: 4px;
}

.paragraph > :first-child {
  width: 100%;
}

.figure {
  display: flex;
  justify-content: space-between;
  gap: 24px;
  font-size: 13px;
  font-variant-numeric: tabular-nums;
}
</style>
