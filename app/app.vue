<script setup lang="ts">
import { locale } from '~/figures/locale'
import GlossaryDialog from '~/shell/GlossaryDialog.vue'
import KeyDialog from '~/shell/KeyDialog.vue'
import { useHelp } from '~/shell/helpStore'
import NoticeBar from '~/shell/NoticeBar.vue'
import ReadOnlyBar from '~/shell/ReadOnlyBar.vue'
import ShortcutHelp from '~/shell/ShortcutHelp.vue'
import TipLayer from '~/shell/TipLayer.vue'
import { useTheme } from '~/theme/themeStore'

useTheme()
const help = useHelp()
</script>

<template>
  <v-app>
    <ReadOnlyBar />
    <!-- Another way of writing figures is on every chart too: the page is drawn anew. -->
    <NuxtPage :key="locale ?? 'browser'" />
    <NoticeBar />
    <KeyDialog />
    <ShortcutHelp />
    <TipLayer />
    <GlossaryDialog v-model="help.glossary" />
  </v-app>
</template>
