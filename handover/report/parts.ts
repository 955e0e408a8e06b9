import type { Length, PartName } from './choices'
import type { Markup } from './markup'
import { forecastPart } from './parts/forecast'
import { handPart } from './parts/hand'
import { madePart } from './parts/made'
import { seriesPart } from './parts/series'
import { tablesPart } from './parts/tables'
import { termsPart } from './parts/terms'
import { trustPart } from './parts/trust'
import type { PartOf } from './study'

/** A part of a report: how it is written, and the lengths that have it. */
export interface Part {
  readonly lengths: readonly Length[]
  write(of: PartOf): Markup
}

const ALL: readonly Length[] = ['page', 'short', 'full']

export const PARTS: Readonly<Record<PartName, Part>> = {
  forecast: { lengths: ALL, write: forecastPart },
  made: { lengths: ALL, write: madePart },
  series: { lengths: ['short', 'full'], write: seriesPart },
  hand: { lengths: ALL, write: handPart },
  trust: { lengths: ['short', 'full'], write: trustPart },
  tables: { lengths: ['full'], write: tablesPart },
  terms: { lengths: ['full'], write: termsPart },
}
