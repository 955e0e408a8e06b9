/** Names of the four seasons in English, German, French and Spanish, spring first. */
const NAMES: readonly RegExp[] = [
  /^(spring|fr[üu]hling|fr[üu]hjahr|printemps|primavera)$/i,
  /^(summer|sommer|[ée]t[ée]|verano)$/i,
  /^(autumn|fall|herbst|automne|oto[ñn]o)$/i,
  /^(winter|hiver|invierno)$/i,
]
export const SEASONS = ['Spring', 'Summer', 'Autumn', 'Winter'] as const

/** 1 to 4 for the name of a season, spring being 1; null for any other word. */
export function seasonByName(text: string): number | null {
  const at = NAMES.findIndex((name) => name.test(text.trim()))
  return at < 0 ? null : at + 1
}
