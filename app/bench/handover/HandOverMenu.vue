<script setup lang="ts">
import { ref } from 'vue'
import { later } from '~/shell/later'
import { useBench } from '../study/benchStore'

/** What leaves the Bench, behind a button; it is loaded when it is first opened. */
const HandOverPanel = later(() => import('./HandOverPanel.vue'))
const PictureDialog = later(() => import('../picture/PictureDialog.vue'))
const ReportDialog = later(() => import('../report/ReportDialog.vue'))
const bench = useBench()
const open = ref(false)
const isReporting = ref(false)
const isPicturing = ref(false)
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false" location="bottom end">
    <template #activator="{ props: activator }">
      <v-btn :disabled="!bench.shown" v-bind="activator" :aria-owns="undefined"> Hand over </v-btn>
    </template>
    <HandOverPanel v-model="open" @report="isReporting = true" @picture="isPicturing = true" />
  </v-menu>
  <PictureDialog v-if="isPicturing" v-model="isPicturing" />
  <ReportDialog v-if="isReporting" v-model="isReporting" />
</template>
