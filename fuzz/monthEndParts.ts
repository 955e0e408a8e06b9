import { periodAfter } from './familyPeriods'
import type { Period } from '../core/calendar/period'
import type { FamilyFile, Random } from './familyTruth'

/** What the families of a month's end are made of: sales, months in many languages, texts. */

/** Picks one of several. */
export type Pick = <T>(all: readonly T[]) => T
export interface Making {
  readonly random: Random
  readonly pick: Pick
}

/** Languages whose months are written as the platform writes them, with the words that files have for totals. */
export const LANGUAGES = [
  { locale: 'en', total: 'Total', quarter: (q: number) => `Q${q}`, year: 'Year' },
  { locale: 'de', total: 'Gesamt', quarter: (q: number) => `${q}. Quartal`, year: 'Jahr' },
  { locale: 'fr', total: 'Total', quarter: (q: number) => `T${q}`, year: 'Année' },
  { locale: 'es', total: 'Total', quarter: (q: number) => `T${q}`, year: 'Año' },
  { locale: 'it', total: 'Totale', quarter: (q: number) => `Q${q}`, year: 'Anno' },
  { locale: 'nl', total: 'Totaal', quarter: (q: number) => `Q${q}`, year: 'Jaar' },
  { locale: 'pl', total: 'Razem', quarter: (q: number) => `Q${q}`, year: 'Rok' },
  { locale: 'sv', total: 'Totalt', quarter: (q: number) => `Q${q}`, year: 'År' },
  { locale: 'cs', total: 'Celkem', quarter: (q: number) => `Q${q}`, year: 'Rok' },
] as const
export type Language = (typeof LANGUAGES)[number]

export function monthNames({ locale }: Language): string[] {
  const format = new Intl.DateTimeFormat(locale, { month: 'long', timeZone: 'UTC' })
  return Array.from({ length: 12 }, (_, month) => format.format(Date.UTC(2021, month, 15)))
}

/** Sales with a season: whole numbers, none below 100. */
export function sales(random: Random, months: number): number[] {
  return Array.from({ length: months }, (_, i) =>
    Math.round(1500 + 4 * i + 400 * Math.sin((i * Math.PI) / 6) + 300 * random()),
  )
}

export const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0)
export const text = (rows: readonly (readonly (string | number)[])[], delimiter = ',') =>
  rows.map((cells) => cells.join(delimiter)).join('\n')

export function monthly(
  name: string,
  start: Period,
  values: readonly (number | null)[],
): FamilyFile['truth'] {
  return { seasons: 12, start, series: [{ name, values }] }
}

export function yearOf(random: Random): number {
  return 2008 + Math.floor(random() * 14)
}

/** Months of a series as they are mostly written. */
export function written(start: Period, count: number): string[] {
  return Array.from({ length: count }, (_, i) => {
    const { cycle: year, season } = periodAfter(start, i, 12)
    return `${year}-${String(season).padStart(2, '0')}`
  })
}
