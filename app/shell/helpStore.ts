import { defineStore } from 'pinia'
import { ref } from 'vue'

/** What of the help is open. */
export const useHelp = defineStore('help', () => {
  const glossary = ref(false)
  const shortcuts = ref(false)
  const tour = ref(false)
  /** Whether the page has something to be shown around. */
  const hasTour = ref(false)
  return { glossary, shortcuts, tour, hasTour }
})
