<script setup lang="ts">
import { computed, ref } from 'vue'
import { chooseLocale, chosenLocale, LOCALES } from '~/figures/locale'
import { useHelp } from './helpStore'

/** What explains the page, and how figures and dates are written on it. */
const help = useHelp()
const open = ref(false)
const BROWSER = 'browser'
const written = computed({
  get: () => chosenLocale.value ?? BROWSER,
  set: (locale) => chooseLocale(locale === BROWSER ? null : locale),
})
const choices = [
  { value: BROWSER, title: 'as the browser does' },
  ...LOCALES.map(({ locale, title }) => ({ value: locale as string, title })),
]

function show(what: 'glossary' | 'shortcuts' | 'tour') {
  open.value = false
  help[what] = true
}
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false">
    <template #activator="{ props: activator }">
      <v-btn v-bind="activator" :aria-owns="undefined">Help</v-btn>
    </template>
    <div class="help" @keydown.enter.stop>
      <v-btn @click="show('glossary')">Terms</v-btn>
      <v-btn @click="show('shortcuts')">Shortcuts</v-btn>
      <v-btn v-if="help.hasTour" @click="show('tour')">Five things to know</v-btn>
      <span class="muted small">Figures and dates</span>
      <v-select v-model="written" aria-label="Figures and dates" :items="choices" />
    </div>
  </v-menu>
</template>

<style scoped>
.help {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-width: 220px;
  padding: 12px 14px;
}
</style>
