import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'

/** A forecast figure that the hand wishes for, before its reason is given. */
export interface Wish {
  /** Time code of the forecast period. */
  readonly t: number
  readonly value: number
}

/** What is being bent: dragged or typed, and not yet assumed. */
export const useHand = defineStore('bench-hand', () => {
  const wish = shallowRef<Wish | null>(null)
  /** Whether the fields of the working are waited for, to be typed into. */
  const isAsked = ref(false)

  function ask(): void {
    isAsked.value = true
  }
  function answer(): void {
    isAsked.value = false
  }
  function hold(next: Wish | null): void {
    wish.value = next
  }
  return { wish, isAsked, ask, answer, hold }
})
