/** How much a report says: what fits one page, what fits three, or everything. */
export const LENGTHS = ['page', 'short', 'full'] as const
export type Length = (typeof LENGTHS)[number]

/** The parts of a report, in their order. */
export const PART_NAMES = [
  'forecast',
  'made',
  'series',
  'hand',
  'trust',
  'tables',
  'terms',
] as const
export type PartName = (typeof PART_NAMES)[number]

/** What each part is called, and the lengths that have it. */
export const PARTS: Readonly<Record<PartName, { title: string; lengths: readonly Length[] }>> = {
  forecast: { title: 'What will come', lengths: LENGTHS },
  made: { title: 'How it was made', lengths: LENGTHS },
  series: { title: 'What the series is like', lengths: ['short', 'full'] },
  hand: { title: 'What was done by hand', lengths: LENGTHS },
  trust: { title: 'How far it can be trusted', lengths: ['short', 'full'] },
  tables: { title: 'The tables', lengths: ['full'] },
  terms: { title: 'The terms used', lengths: ['full'] },
}

/** Where paragraphs of the analyst's own stand: at the top, or at the head of a part. */
export const PLACES = ['top', ...PART_NAMES] as const
export type Place = (typeof PLACES)[number]

/** What the analyst chose for the report of a study. */
export interface ReportChoices {
  readonly length: Length
  readonly without: readonly PartName[]
  readonly paragraphs: Readonly<Partial<Record<Place, string>>>
}

/** The parts that a length has, but for those that are left out. */
export function partsOf({
  length,
  without,
}: Pick<ReportChoices, 'length' | 'without'>): PartName[] {
  return PART_NAMES.filter(
    (name) => PARTS[name].lengths.includes(length) && !without.includes(name),
  )
}

export const USUAL_REPORT: ReportChoices = { length: 'short', without: [], paragraphs: {} }

/** Series that a report takes at the most. */
export const MOST_SERIES = 50
