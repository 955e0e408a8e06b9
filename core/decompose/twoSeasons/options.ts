import { z } from 'zod'
import type { Model } from '../../model'
import { Refusal } from '../../refusal'
import type { Calendar } from '../../calendar/calendar'
import { INDEX_AVERAGES, type IndexAverage } from '../seasonalIndices'
import { excludeOption, modelOption, type Exclusion, type Facts } from '../commonOptions'

/** How each of the two seasons is found. */
export const EACH = ['averages', 'loess'] as const
export type Each = (typeof EACH)[number]

const MOST_SEASONS = 1000
/** Longer cycles are smoothed unless it is said otherwise: each of their positions has few values. */
const SMOOTHED_FROM = 61
const USUAL_WIDTH = 7
export const MOST_WIDTH = 60
/** Passes multiply, and two seasons double them. */
const MOST_PASSES = { inner: 10, outer: 50 } as const

/** Decomposition with two seasons, as a person or a script writes it. */
export const twoSeasonsDocument = z.strictObject({
  by: z.literal('two-seasons'),
  model: modelOption,
  exclude: excludeOption,
  /** The shorter and the longer, in periods. */
  seasons: z
    .tuple([z.int().min(2).max(MOST_SEASONS), z.int().min(2).max(MOST_SEASONS)])
    .readonly()
    .optional(),
  each: z.enum(EACH).optional(),
  average: z.enum(INDEX_AVERAGES).optional(),
  /** Neighbours to either side over which the longer season is smoothed; 0 for none. */
  width: z.int().min(0).max(MOST_WIDTH).optional(),
  seasonalWindow: z.union([z.int().min(1), z.literal('periodic')]).optional(),
  robust: z.boolean().optional(),
  inner: z.int().min(1).max(MOST_PASSES.inner).optional(),
  outer: z.int().min(0).max(MOST_PASSES.outer).optional(),
})
export type TwoSeasonsDocument = z.infer<typeof twoSeasonsDocument>

interface Common {
  readonly by: 'two-seasons'
  readonly model: Model
  readonly exclude: readonly Exclusion[]
  /** m₁ < m₂ */
  readonly seasons: readonly [number, number]
}
/** By averages, the longer season smoothed over its neighbours. */
export interface ByAverages extends Common {
  readonly each: 'averages'
  readonly average: IndexAverage
  readonly width: number
}
/** By robust loess, one season after the other. */
export interface ByLoess extends Common {
  readonly each: 'loess'
  readonly seasonalWindow: number | 'periodic'
  readonly robust: boolean
  readonly inner: number
  readonly outer: number
}
/** The same, complete. */
export type TwoSeasonsOptions = ByAverages | ByLoess

/** The two seasons of a calendar that has two; null of any other. */
export function usualSeasons({ frequency, seasons }: Rhythmed): readonly [number, number] | null {
  if (frequency === 'hourly') return [24, 168]
  if (frequency !== 'daily') return null
  const year = TRADING_DAYS_A_YEAR[seasons]
  return year === undefined ? [7, 365] : [seasons, year]
}
type Rhythmed = Pick<Calendar, 'frequency' | 'seasons'>

/** Five or six of the 7 days of a week, to the nearest whole day of a year of 365.25. */
export const TRADING_DAYS_A_YEAR: Readonly<Record<number, number>> = { 5: 261, 6: 313 }

/** Cycles below which a season by loess is taken to be the same in all of them. */
const CYCLES_FOR_A_FREE_SEASON = 5
const SEASONAL_WINDOW = 13

/**
 * Fills in the defaults: week and year of days, day and week of hours; by averages, a longer season of more than 60 positions
 * smoothed over a week to either side.
 *
 * @throws Refusal for two seasons that are none, or not those of the series, and for choices of the other way
 */
export function completeTwoSeasons(
  document: TwoSeasonsDocument,
  { model, periods, seasons: own, frequency }: Facts,
): TwoSeasonsOptions {
  const seasons = document.seasons ?? usualSeasons({ frequency, seasons: own })
  if (!seasons) {
    throw new Refusal(
      `Two seasons must be named here, as "seasons": [${own}, ${4 * own}]: only days and hours have two of their own.`,
      'decompose.seasons',
    )
  }
  requireTwo(seasons, own)
  const { by, exclude = [], each = 'averages' } = document
  const common = { by, model: document.model ?? model, exclude, seasons }
  if (each === 'averages') {
    requireNone(document, ['seasonalWindow', 'robust', 'inner', 'outer'], 'loess')
    const { average = 'mean', width = seasons[1] >= SMOOTHED_FROM ? USUAL_WIDTH : 0 } = document
    requireWidth(width, seasons[1])
    return { ...common, each, average, width }
  }
  requireNone(document, ['average', 'width'], 'averages')
  const { robust = true } = document
  const isShort = periods < CYCLES_FOR_A_FREE_SEASON * seasons[1]
  return {
    ...{ ...common, each, robust },
    seasonalWindow: document.seasonalWindow ?? (isShort ? 'periodic' : SEASONAL_WINDOW),
    inner: document.inner ?? (robust ? 1 : 2),
    outer: document.outer ?? (robust ? 15 : 0),
  }
}

function requireTwo([shorter, longer]: readonly [number, number], own: number): void {
  if (shorter >= longer) {
    throw new Refusal(
      shorter === longer
        ? `Two seasons of ${shorter} are one. Name a shorter and a longer.`
        : `Name the shorter season first: [${longer}, ${shorter}].`,
      'decompose.seasons',
    )
  }
  if (own !== shorter && own !== longer) {
    throw new Refusal(
      `One of the two seasons must be that of the series, ${own}; they are ${shorter} and ${longer}.`,
      'decompose.seasons',
    )
  }
}

/** @throws Refusal for neighbours that meet on the other side of the cycle */
function requireWidth(width: number, longer: number): void {
  if (2 * width < longer) return
  throw new Refusal(
    `Smoothing over ${width} to either side goes round a season of ${longer}; ${Math.floor((longer - 1) / 2)} is the most.`,
    'decompose.width',
  )
}

function requireNone(
  document: TwoSeasonsDocument,
  keys: readonly (keyof TwoSeasonsDocument)[],
  home: Each,
): void {
  const foreign = keys.find((key) => document[key] !== undefined)
  if (foreign === undefined) return
  throw new Refusal(
    `${foreign} belongs to two seasons by ${home}; these are by ${home === 'loess' ? 'averages' : 'loess'}. Take it out.`,
    `decompose.${foreign}`,
  )
}
