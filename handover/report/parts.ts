import type { PartName } from './choices'
import type { Markup } from './markup'
import { forecastPart } from './parts/forecast'
import { handPart } from './parts/hand'
import { madePart } from './parts/made'
import { seriesPart } from './parts/series'
import { tablesPart } from './parts/tables'
import { termsPart } from './parts/terms'
import { trustPart } from './parts/trust'
import type { PartOf } from './study'

/** How each part of a report is written. */
export const WRITE: Readonly<Record<PartName, (of: PartOf) => Markup>> = {
  forecast: forecastPart,
  made: madePart,
  series: seriesPart,
  hand: handPart,
  trust: trustPart,
  tables: tablesPart,
  terms: termsPart,
}
