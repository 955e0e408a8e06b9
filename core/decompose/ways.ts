import type { Calendar } from '../calendar/calendar'
import { Refusal } from '../refusal'
import type { AveragesTaken } from './averages/calculate'
import type { AveragesDocument, AveragesOptions } from './averages/options'
import { ratioToMovingAverage, ratioToTrend, simpleAverages } from './averages/ways'
import type { Exclusion, Facts } from './commonOptions'
import type { IteratedTaken } from './iterated/calculate'
import type { IteratedDocument, IteratedOptions } from './iterated/options'
import { iterated } from './iterated/way'
import { loess } from './loess/way'
import type { LoessTaken } from './loess/calculate'
import type { LoessDocument, LoessOptions } from './loess/options'
import type { NoSeasonTaken } from './noSeason/calculate'
import type { NoSeasonDocument, NoSeasonOptions } from './noSeason/options'
import { noSeason } from './noSeason/way'
import type { TwoSeasonsTaken } from './twoSeasons/calculate'
import type { TwoSeasonsDocument, TwoSeasonsOptions } from './twoSeasons/options'
import { twoSeasons } from './twoSeasons/way'
import type { DecompositionWay, Traits } from './way'

/** Every way of taking a series apart, in the order in which they are offered. */
export const DECOMPOSITION_WAYS = [
  ratioToMovingAverage,
  loess,
  iterated,
  ratioToTrend,
  simpleAverages,
  twoSeasons,
  noSeason,
] as const

/** The options of a decomposition, complete; `by` names the way. */
export type DecompositionOptions =
  AveragesOptions | LoessOptions | IteratedOptions | TwoSeasonsOptions | NoSeasonOptions
export type DecompositionName = DecompositionOptions['by']
/** What only one way finds. */
export type Taken = AveragesTaken | LoessTaken | IteratedTaken | TwoSeasonsTaken | NoSeasonTaken

type NamedDocument =
  AveragesDocument | LoessDocument | IteratedDocument | TwoSeasonsDocument | NoSeasonDocument
/** The choices of the ways that a document can mean without naming one. */
type UnnamedDocument = { readonly by?: undefined } & Omit<AveragesDocument, 'by'> &
  Omit<NoSeasonDocument, 'by'>
/** The part of the method document on decomposition. */
export type DecompositionDocument = NamedDocument | UnnamedDocument

/** The ways that a document means when it names none. */
export const DEFAULT_WAYS = [ratioToMovingAverage, noSeason] as const

/** A method with this takes no season out. */
export const WITHOUT_SEASON = { decompose: { by: noSeason.name } } as const

/** A method with this lets the season change over the years. */
export const MOVING_WAY = {
  says: 'Robust loess',
  change: { decompose: { by: loess.name } },
} as const

export type AnyWay = DecompositionWay<NamedDocument, DecompositionOptions, Taken>

/**
 * The way of a name. Here is the one cast: behind it the compiler holds options, figures and way together.
 */
export function wayOf(by: DecompositionName): AnyWay {
  return DECOMPOSITION_WAYS.find(({ name }) => name === by) as unknown as AnyWay
}

/** What the rest of the house must know of a decomposition. */
export function traitsOf({ by }: Pick<DecompositionOptions, 'by'>): Traits {
  return wayOf(by).traits
}

/** The way that is taken when none is named: a yearly series has no season. */
export function defaultWay({ seasons }: Pick<Calendar, 'seasons'>): DecompositionName {
  return seasons < 2 ? noSeason.name : ratioToMovingAverage.name
}

/** The ways that a series of this calendar can be taken apart by. */
export function waysFor(calendar: Pick<Calendar, 'seasons' | 'frequency'>): readonly AnyWay[] {
  return DECOMPOSITION_WAYS.map(({ name }) => wayOf(name)).filter(
    (way) => (calendar.seasons >= 2 || !way.traits.hasSeason) && (way.takes?.(calendar) ?? true),
  )
}

/**
 * Fills in the defaults of a decomposition.
 *
 * @throws Refusal for a choice that belongs to another way, and for what the way itself refuses; `where` is
 *   the path in the document
 */
export function completeDecomposition(
  document: DecompositionDocument,
  facts: Facts,
): DecompositionOptions {
  const way = wayOf(document.by ?? defaultWay(facts))
  const foreign = Object.entries(document).find(
    ([key, value]) => value !== undefined && !(key in way.document.shape),
  )
  if (foreign) {
    const [key] = foreign
    throw new Refusal(foreignWords(key, way.name), `decompose.${key}`)
  }
  return way.complete({ ...document, by: way.name } as NamedDocument, facts)
}

/** Why a choice has no place in a decomposition. */
export function foreignWords(key: string, by: DecompositionName): string {
  const home = DECOMPOSITION_WAYS.find(({ document }) => key in document.shape)
  return home
    ? `${key} belongs to a decomposition ${home.home}; this one is ${wayOf(by).home}. Take it out.`
    : `"${key}" is not a key of this document.`
}

/** The same decomposition another way: choices that it does not know are left behind. */
export function decomposeBy(
  by: DecompositionName,
  document: DecompositionDocument = {},
): DecompositionDocument {
  const { shape } = wayOf(by).document
  const kept = Object.entries(document).filter(([key]) => key in shape)
  return { ...Object.fromEntries(kept), by } as DecompositionDocument
}

/** The values that a decomposition leaves out of their season; undefined where it names none, or averages nothing. */
export function exclusionsIn(
  decompose: DecompositionDocument | DecompositionOptions | undefined,
): readonly Exclusion[] | undefined {
  return decompose && 'exclude' in decompose ? decompose.exclude : undefined
}

/** Whether values can be left out of their season. */
export function canExclude(decompose: DecompositionOptions): boolean {
  return 'exclude' in decompose
}
