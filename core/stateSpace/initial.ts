import { MODEL } from '../model'
import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { centredAverage } from '../smoothing/movingAverage'
import { mean } from '../statistics/average'
import { needsPositive, type InitialStates, type SmoothingForm } from './forms'

/** Initial states by the rule, and how they came about. */
export interface RuleStates {
  readonly states: InitialStates
  /** Full years that the season was taken from; not there without a season. */
  readonly years?: number
  /** By season of the calendar, January first. */
  readonly indices?: readonly number[]
  /** Whether no average of a year could be taken, so that seasons are simple averages. */
  readonly simpleAverages: boolean
  readonly line: {
    /** Periods looked at, and observed among them. */
    readonly first: number
    readonly used: number
    readonly atZero: number
    readonly slope: number
  }
  /** Whether the line would not do where everything must be positive, and the level is a mean instead. */
  readonly replaced: boolean
}

const MOST_YEARS = 3
const FEWEST_YEARS = 2

/**
 * Where a smoothing starts from by the rule: the season from the first full years, three at the most, by ratio to
 * (difference from) a moving average; level and trend from the least-squares line through the deseasonalized values of
 * the first two years, ten periods at least, taken at t = 0.
 *
 * @param values one a period, null = missing
 * @param firstSeason season of the first period, 1…m
 * @param seasons m of the series, whatever the form
 * @throws Refusal for fewer than two full years, a season without any value in them, and fewer than two values
 */
export function initialByRule(
  values: readonly Value[],
  form: SmoothingForm,
  firstSeason: number,
  seasons: number,
): RuleStates {
  const seasonal = form.season === 'none' ? null : startingSeason(values, form.season, seasons)
  const first = Math.min(values.length, Math.max(10, 2 * seasons))
  const points = values.slice(0, first).flatMap((value, i) => {
    if (value === null) return []
    if (!seasonal) return [{ t: i + 1, y: value }]
    return [{ t: i + 1, y: MODEL[seasonal.model].takeOut(value, seasonal.inOrder[i % seasons]!) }]
  })
  if (points.length < 2) {
    throw new Refusal('The first level needs at least two values near the start.', 'initial')
  }
  const { atZero, slope } = lineThrough(points)
  const replaced = needsPositive(form) && !(atZero > 0 && atZero + slope > 0)
  const level = replaced ? mean(points.map(({ y }) => y))! : atZero
  const used = replaced ? 0 : slope
  const trend = form.trend === 'multiplicative' ? 1 + used / level : used
  return {
    states: {
      level,
      ...(form.trend === 'none' ? {} : { trend }),
      ...(seasonal ? { season: seasonal.inOrder } : {}),
    },
    ...(seasonal
      ? {
          years: seasonal.years,
          indices: Array.from(
            { length: seasons },
            (_, s) => seasonal.inOrder[(s - (firstSeason - 1) + seasons) % seasons]!,
          ),
        }
      : {}),
    simpleAverages: seasonal?.simpleAverages ?? false,
    line: { first, used: points.length, atZero, slope },
    replaced,
  }
}

/** Indices of the periods 1…m, in that order. */
function startingSeason(
  values: readonly Value[],
  model: 'additive' | 'multiplicative',
  seasons: number,
) {
  const full = Math.floor(values.length / seasons)
  if (full < FEWEST_YEARS) {
    throw new Refusal(
      `A season of ${seasons} needs at least two full turns; there are ${values.length} periods. Take no season.`,
      'season',
    )
  }
  const { takeOut } = MODEL[model]
  for (let years = Math.min(MOST_YEARS, full); years <= full; years++) {
    const stretch = values.slice(0, years * seasons)
    const average = centredAverage(stretch, seasons)
    const raw = meansBySeason(
      stretch.map((value, i) =>
        value === null || average[i] === null ? null : takeOut(value, average[i]!),
      ),
      seasons,
    )
    if (raw.every((value) => value !== null)) {
      return { model, years, simpleAverages: false, inOrder: adjusted(raw as number[], model) }
    }
  }
  const means = meansBySeason(values.slice(0, full * seasons), seasons)
  const empty = means.flatMap((value, k) => (value === null ? [k + 1] : []))
  if (empty.length > 0) {
    throw new Refusal(
      `A season has no value in its full turns, so where it starts is unknown (period ${empty.join(', ')} of the first). Fill the gaps, or take no season.`,
      'season',
      { seasons: empty },
    )
  }
  const centre = mean(means as number[])!
  const inOrder = (means as number[]).map((own) => takeOut(own, centre))
  return { model, years: full, simpleAverages: true, inOrder }
}

function meansBySeason(values: readonly Value[], seasons: number): Value[] {
  return Array.from({ length: seasons }, (_, k) =>
    mean(values.filter((value, i): value is number => i % seasons === k && value !== null)),
  )
}

/** So that they average 1, or sum to 0. */
function adjusted(raw: readonly number[], model: 'additive' | 'multiplicative'): number[] {
  const centre = mean(raw)!
  return raw.map((own) => MODEL[model].takeOut(own, centre))
}

/** The least-squares line, at t = 0 and its slope. */
function lineThrough(points: readonly { readonly t: number; readonly y: number }[]) {
  const middle = mean(points.map(({ t }) => t))!
  const level = mean(points.map(({ y }) => y))!
  let [sxy, sxx] = [0, 0]
  for (const { t, y } of points) {
    sxy += (t - middle) * (y - level)
    sxx += (t - middle) ** 2
  }
  const slope = sxy / sxx
  return { slope, atZero: level - slope * middle }
}
