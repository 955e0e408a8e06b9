import { computed, ref } from 'vue'
import { forget, recall, remember } from '~/storage/browserStorage'

/** What the reader can write figures like, beside what the browser says. */
export const LOCALES = [
  { locale: 'en-GB', title: '1,234.5 · 31/12/2025' },
  { locale: 'en-US', title: '1,234.5 · 12/31/2025' },
  { locale: 'de-DE', title: '1.234,5 · 31.12.2025' },
  { locale: 'fr-FR', title: '1 234,5 · 31/12/2025' },
  { locale: 'de-CH', title: '1’234.5 · 31.12.2025' },
  { locale: 'sv-SE', title: '1 234,5 · 2025-12-31' },
] as const

const KEY = 'elvant.locale'

/** The locale that was chosen on this machine; null for the browser's own. */
export const chosenLocale = ref<string | null>(stored())

/** The locale that figures and dates are written in; undefined is the browser's. */
export const locale = computed(() => chosenLocale.value ?? undefined)

/** Writes figures and dates like this from now on; null goes back to the browser's own. */
export function chooseLocale(next: string | null): void {
  chosenLocale.value = next
  if (next === null) forget(KEY)
  else remember(KEY, next)
}

function stored(): string | null {
  const kept = recall(KEY)
  return LOCALES.some((known) => known.locale === kept) ? kept : null
}
