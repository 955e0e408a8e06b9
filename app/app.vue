<script setup lang="ts">
import NoticeBar from '~/shell/NoticeBar.vue'
import ShortcutHelp from '~/shell/ShortcutHelp.vue'
import { useTheme } from '~/theme/themeStore'

useTheme()
</script>

<template>
  <v-app>
    <NuxtPage />
    <NoticeBar />
    <ShortcutHelp />
  </v-app>
</template>
