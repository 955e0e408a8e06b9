import { defineStore } from 'pinia'
import { computed, ref, watchEffect } from 'vue'
import { recall, remember } from '~/storage/browserStorage'
import type { Palette } from '~~/core/picture/draw/palette'
import { readPalette } from './palette'

const KEY = 'elvant.theme'
type Choice = 'light' | 'dark' | 'system'

/** Light or dark: the reader's choice, or the system's. */
export const useTheme = defineStore('theme', () => {
  const stored = recall(KEY)
  const choice = ref<Choice>(stored === 'light' || stored === 'dark' ? stored : 'system')
  const media = matchMedia('(prefers-color-scheme: dark)')
  const systemIsDark = ref(media.matches)
  media.addEventListener('change', (event) => (systemIsDark.value = event.matches))

  const isDark = computed(() =>
    choice.value === 'system' ? systemIsDark.value : choice.value === 'dark',
  )
  const palette = ref<Palette>(readPalette())
  watchEffect(() => {
    document.documentElement.dataset.theme = isDark.value ? 'dark' : 'light'
    palette.value = readPalette()
  })

  function toggle(): void {
    choice.value = isDark.value ? 'light' : 'dark'
    remember(KEY, choice.value)
  }
  return { isDark, palette, toggle }
})
