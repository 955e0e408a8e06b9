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

/** What each part is called. */
export const PART_TITLES: Readonly<Record<PartName, string>> = {
  forecast: 'What will come',
  made: 'How it was made',
  series: 'What the series is like',
  hand: 'What was done by hand',
  trust: 'How far it can be trusted',
  tables: 'The tables',
  terms: 'The terms used',
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

export const USUAL_REPORT: ReportChoices = { length: 'short', without: [], paragraphs: {} }
