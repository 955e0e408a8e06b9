import { z } from 'zod'
import type { Model } from '../../model'
import { Refusal } from '../../refusal'
import { excludeOption, modelOption, type Exclusion, type Facts } from '../commonOptions'
import { stlParameters, WINDOW_NAMES } from '../stl/windows'

const window = z.int().min(1).optional()
const degree = z
  .union([z.literal(0), z.literal(1)], { error: 'A local fit here is level (0) or a line (1).' })
  .optional()

/** Passes multiply: more of them would hold a server for minutes, and change nothing. */
export const MOST_PASSES = { inner: 10, outer: 50 } as const

/** Decomposition by robust loess, as a person or a script writes it. */
export const loessDocument = z.strictObject({
  by: z.literal('stl'),
  model: modelOption,
  exclude: excludeOption,
  seasonalWindow: z.union([z.int().min(1), z.literal('periodic')]).optional(),
  trendWindow: window,
  lowPassWindow: window,
  seasonalDegree: degree,
  trendDegree: degree,
  lowPassDegree: degree,
  robust: z.boolean().optional(),
  inner: z.int().min(1).max(MOST_PASSES.inner).optional(),
  outer: z.int().min(0).max(MOST_PASSES.outer).optional(),
})
export type LoessDocument = z.infer<typeof loessDocument>

/** The same, complete. */
export interface LoessOptions {
  readonly by: 'stl'
  readonly model: Model
  readonly exclude: readonly Exclusion[]
  /** n_s, odd and at least 7, in years; `periodic` for a season that never changes. */
  readonly seasonalWindow: number | 'periodic'
  /** n_t and n_l, odd, in periods. */
  readonly trendWindow: number
  readonly lowPassWindow: number
  readonly seasonalDegree: 0 | 1
  readonly trendDegree: 0 | 1
  readonly lowPassDegree: 0 | 1
  /** Whether outliers lose weight. */
  readonly robust: boolean
  readonly inner: number
  readonly outer: number
}

/** Years over which a season may change, unless the analyst says otherwise. */
export const SEASONAL_WINDOW = 13
/** A window this many times the length of what it slides over says no more than a straight line. */
const LONGEST_SHARE = 2

/**
 * Fills in the defaults: a season that may change over 13 years, outliers given less weight, windows and
 * passes by the rules of {@link stlParameters}.
 *
 * @throws Refusal for a window that is even, too small or longer than makes sense; `where` is the path in the
 *   document
 */
export function completeLoess(
  document: LoessDocument,
  { model, periods, seasons }: Facts,
): LoessOptions {
  // On two or three years a robust fit with a free season explains everything and leaves nothing over.
  const isShort = periods < YEARS_FOR_A_FREE_SEASON * seasons
  const { seasonalWindow = isShort ? 'periodic' : SEASONAL_WINDOW, robust = true } = document
  const longest = longestWindows(periods, seasons)
  if (seasonalWindow !== 'periodic') {
    requireShorter(seasonalWindow, longest.seasonal, 'seasonalWindow', SAY_PERIODIC)
  }
  requireShorter(document.trendWindow, longest.other, 'trendWindow', ALL_BUT_STRAIGHT)
  requireShorter(document.lowPassWindow, longest.other, 'lowPassWindow', ALL_BUT_STRAIGHT)
  const { windows, degrees, inner, outer } = stlParameters(
    { ...document, seasonalWindow, robust },
    periods,
    seasons,
  )
  requireUse(robust, outer)
  return {
    by: document.by,
    model: document.model ?? model,
    exclude: document.exclude ?? [],
    seasonalWindow,
    trendWindow: windows.trend,
    lowPassWindow: windows.lowPass,
    seasonalDegree: degrees.seasonal,
    trendDegree: degrees.trend,
    lowPassDegree: degrees.lowPass,
    robust,
    inner,
    outer,
  }
}

/** Under so many years the season is taken to be the same every year, unless the analyst says otherwise. */
const YEARS_FOR_A_FREE_SEASON = 5

const SAY_PERIODIC = 'for a season that never changes, say "periodic"'
const ALL_BUT_STRAIGHT = 'a longer one is all but a straight line'

/** Weights are formed by outer passes: without them nothing is robust, and with them something is. */
function requireUse(robust: boolean, outer: number): void {
  if (robust === outer > 0) return
  throw new Refusal(
    robust
      ? 'Outliers lose weight in outer passes, and there are none: allow at least one, or believe every value alike.'
      : `Every value is believed alike, and ${outer} outer passes form weights: do without them, or let outliers lose weight.`,
    'decompose.outer',
  )
}

/** The longest windows that make sense: of the season in years, of the others in periods. */
export function longestWindows(
  periods: number,
  seasons: number,
): { seasonal: number; other: number } {
  return {
    seasonal: Math.max(SEASONAL_WINDOW, 10 * Math.ceil(periods / seasons)),
    other: Math.max(3 * seasons, LONGEST_SHARE * periods),
  }
}

function requireShorter(
  window: number | undefined,
  most: number,
  name: keyof typeof WINDOW_NAMES,
  advice: string,
): void {
  if (window === undefined || window <= most) return
  throw new Refusal(
    `The ${WINDOW_NAMES[name]} is ${window}, longer than makes sense for this series (${most} at the most); ${advice}.`,
    `decompose.${name}`,
  )
}
