import { defineStore } from 'pinia'
import { ref } from 'vue'

/** A short message at the foot of the page, with a way back where there is one. */
export interface Notice {
  readonly text: string
  readonly undo?: () => void | Promise<void>
  /** Where what was made can be seen. */
  readonly link?: { readonly to: string; readonly text: string }
}

/** The newest notice; a later one takes its place. */
export const useNotices = defineStore('notices', () => {
  const current = ref<Notice | null>(null)
  /** How many there were: one that takes the place of another is another. */
  const count = ref(0)
  function show(notice: Notice): void {
    current.value = notice
    count.value++
  }
  return { current, count, show }
})
