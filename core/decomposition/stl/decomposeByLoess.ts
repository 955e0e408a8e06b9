import { countPeriods } from '../../calendar/labels'
import { calendarOf } from '../../calendar/calendar'
import { Refusal } from '../../refusal'
import type { Value } from '../../series'
import type { Model } from '../model'
import { stl, type StlComponents } from './stl'
import { strengths, type Strength } from './strength'
import type { StlParameters } from './windows'

/** A robust loess decomposition in the units of the series: factors for a multiplicative model. */
export interface LoessDecomposition extends StlComponents {
  readonly strength: Strength
}

/**
 * Decomposes a series by loess: as it is for an additive model, in logarithms for a multiplicative one.
 *
 * @param y one value a period, null = missing, in units of the series
 * @param seasons m
 * @param model additive y = T + S + I, or multiplicative y = T·S·I with every value above 0
 * @param parameters see {@link StlParameters}
 * @throws Refusal below two years, for a season without any value, and for a value not above 0 in a
 *   multiplicative model
 */
export function decomposeByLoess(
  y: readonly Value[],
  seasons: number,
  model: Model,
  parameters: StlParameters,
): LoessDecomposition {
  requireYears(y, seasons)
  if (model === 'additive') {
    const parts = stl(y, seasons, parameters)
    return { ...parts, strength: strengths(y, parts.trend, parts.seasonal, parts.remainder) }
  }
  requirePositive(y)
  const logs = y.map((value) => (value === null ? null : Math.log(value)))
  const parts = stl(logs, seasons, parameters)
  return {
    ...parts,
    trend: parts.trend.map(Math.exp),
    seasonal: parts.seasonal.map(Math.exp),
    remainder: parts.remainder.map((value) => (value === null ? null : Math.exp(value))),
    strength: strengths(logs, parts.trend, parts.seasonal, parts.remainder),
  }
}

function requireYears(y: readonly Value[], seasons: number): void {
  if (y.length < 2 * seasons) {
    const calendar = calendarOf('seasons', { seasons })
    throw new Refusal(
      `Two full years are needed, ${countPeriods(2 * seasons, calendar)}; there are ${y.length}.`,
      'values',
    )
  }
  for (let season = 0; season < seasons; season++) {
    if (y.every((value, i) => i % seasons !== season || value === null)) {
      throw new Refusal(
        `One season has no value in any year: every ${seasons}th period from period ${season + 1} on is missing.`,
        'values',
        { t: season + 1 },
      )
    }
  }
}

function requirePositive(y: readonly Value[]): void {
  const at = y.findIndex((value) => value !== null && value <= 0)
  if (at < 0) return
  throw new Refusal(
    `A multiplicative model needs every value above 0; period ${at + 1} is ${y[at]}.`,
    'decompose.model',
    { t: at + 1 },
  )
}
