/** The days of the week from Monday on, whole or cut short, in English, German, French and Spanish. */
export const WEEKDAY_NAMES = [
  'mon(?:day)?|mo|montag|lun(?:di|es)?',
  'tue(?:s(?:day)?)?|di|dienstag|mar(?:di|tes)',
  'wed(?:nesday)?|mi|mittwoch|mer(?:credi)?|mi[ée](?:rcoles)?',
  'thu(?:rs?(?:day)?)?|do|donnerstag|jeu(?:di)?|jue(?:ves)?',
  'fri(?:day)?|fr|freitag|ven(?:dredi)?|vie(?:rnes)?',
  'sat(?:urday)?|sa|samstag|sonnabend|sam(?:edi)?|s[áa]b(?:ado)?',
  'sun(?:day)?|so|sonntag|dim(?:anche)?|dom(?:ingo)?',
] as const

const NAMES = WEEKDAY_NAMES.map((names) => new RegExp(`^(?:${names})\\.?$`, 'iu'))

/** The day of the week of a name, 0 for Monday; null for any other text. */
export function weekdayByName(text: string): number | null {
  const found = NAMES.findIndex((name) => name.test(text))
  return found < 0 ? null : found
}
