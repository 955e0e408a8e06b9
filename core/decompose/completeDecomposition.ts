import { stlParameters, WINDOW_NAMES } from './loess/stl/windows'
import type { Model } from '../model'
import { Refusal } from '../refusal'
import type { LoessMethod, Method, MethodDocument } from '../method'

type DecompositionDocument = NonNullable<MethodDocument['decompose']>

/** Choices that only averaged indices have, and those that only robust loess has. */
const AVERAGE_KEYS = ['average', 'adjust'] as const
const LOESS_KEYS = [
  'seasonalWindow',
  'trendWindow',
  'lowPassWindow',
  'seasonalDegree',
  'trendDegree',
  'lowPassDegree',
  'robust',
  'inner',
  'outer',
] as const

/** Years over which a season may change, unless the analyst says otherwise. */
const SEASONAL_WINDOW = 13
/** A window this many times the length of what it slides over says no more than a straight line. */
const LONGEST_SHARE = 2

/**
 * Fills in the defaults of a decomposition: ratio to moving average; multiplicative where every value is
 * above 0, else additive; indices by mean, adjusted. Robust loess: a season that may change over 13 years,
 * outliers given less weight, windows and passes by the rules of {@link stlParameters}.
 *
 * @param facts about the analysed series: the model its values allow, its periods and m
 * @throws Refusal for a choice that belongs to the other way, and for a window that is even, too small or
 *   longer than makes sense; `where` is the path in the document
 */
export function completeDecomposition(
  document: DecompositionDocument,
  facts: { readonly model: Model; readonly periods: number; readonly seasons: number },
): Method['decompose'] {
  const by = document.by ?? 'ratio-to-moving-average'
  const common = { model: document.model ?? facts.model, exclude: document.exclude ?? [] }
  if (by === 'stl') {
    refuseForeign(document, AVERAGE_KEYS, 'averaged indices', 'robust loess')
    return { by, ...common, ...completeLoess(document, facts) }
  }
  refuseForeign(document, LOESS_KEYS, 'robust loess', by)
  return { by, ...common, average: document.average ?? 'mean', adjust: document.adjust ?? true }
}

function completeLoess(
  document: DecompositionDocument,
  { periods, seasons }: { readonly periods: number; readonly seasons: number },
): Omit<LoessMethod, 'by' | 'model' | 'exclude'> {
  const { seasonalWindow = SEASONAL_WINDOW, robust = true } = document
  const years = Math.ceil(periods / seasons)
  if (seasonalWindow !== 'periodic') {
    const most = Math.max(SEASONAL_WINDOW, 10 * years)
    requireShorter(
      seasonalWindow,
      most,
      'seasonalWindow',
      `for a season that never changes, say "periodic"`,
    )
  }
  for (const name of ['trendWindow', 'lowPassWindow'] as const) {
    const most = Math.max(3 * seasons, LONGEST_SHARE * periods)
    requireShorter(document[name], most, name, 'a longer one is all but a straight line')
  }
  const { windows, degrees, inner, outer } = stlParameters(
    {
      ...document,
      seasonalWindow,
      robust,
      seasonalDegree: degreeOf(document, 'seasonalDegree'),
      trendDegree: degreeOf(document, 'trendDegree'),
      lowPassDegree: degreeOf(document, 'lowPassDegree'),
    },
    periods,
    seasons,
  )
  return {
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

function degreeOf(
  document: DecompositionDocument,
  name: 'seasonalDegree' | 'trendDegree' | 'lowPassDegree',
): 0 | 1 | undefined {
  const degree = document[name]
  if (degree === undefined || degree === 0 || degree === 1) return degree
  throw new Refusal(
    `${name} is ${degree}; a local fit here is level (0) or a line (1).`,
    `decompose.${name}`,
  )
}

function requireShorter(
  window: number | undefined,
  most: number,
  name: keyof typeof WINDOW_NAMES,
  advice: string,
): void {
  if (window === undefined || window <= most) return
  throw new Refusal(
    `The ${WINDOW_NAMES[name]} (${name}) is ${window}, longer than makes sense for this series (${most} at the most); ${advice}.`,
    `decompose.${name}`,
  )
}

function refuseForeign(
  document: DecompositionDocument,
  keys: readonly (keyof DecompositionDocument)[],
  home: string,
  way: string,
): void {
  const key = keys.find((candidate) => document[candidate] !== undefined)
  if (key === undefined) return
  throw new Refusal(
    `${key} belongs to ${home}, and the decomposition is by ${way}. Take it out.`,
    `decompose.${key}`,
  )
}
