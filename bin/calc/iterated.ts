import { z } from 'zod'
import { adjust, type Adjusted } from '../../core/decompose/iterated/adjust'
import { USUAL_LIMITS, type IteratedOptions } from '../../core/decompose/iterated/adjustable'
import { extremesOf, replaced } from '../../core/decompose/iterated/extremes'
import { frameOf, spanOf, type Frame } from '../../core/decompose/iterated/frame'
import { hendersonFilter, hendersonLengths } from '../../core/decompose/iterated/hendersonFilter'
import { chooseFilter } from '../../core/decompose/iterated/movingRatio'
import { revisionSteps } from '../../core/decompose/iterated/revisions'
import { seasonalStep } from '../../core/decompose/iterated/seasonalStep'
import {
  SEASONAL_FILTER,
  type SeasonalFilterName,
} from '../../core/decompose/iterated/seasonalFilters'
import { sharesBySpan } from '../../core/decompose/iterated/shares'
import { testAdjusted } from '../../core/decompose/iterated/tests'
import { TREND_STEPS, trendStep } from '../../core/decompose/iterated/trendStep'
import {
  requireFilter,
  requireLength,
  requireLimits,
} from '../../core/decompose/iterated/requirements'
import { MODELS } from '../../core/model'
import { Refusal } from '../../core/refusal'
import type { Value } from '../../core/series/series'
import { centredWeights, seasonalGain } from '../../core/smoothing/seasonalGain'
import { finish } from '../../core/work/steps'
import { readInput, startInput } from './input'

const values = z.array(z.number().nullable()).min(1)
const common = {
  m: z.int().min(1),
  model: z.enum(MODELS),
  start: startInput.prefault({ year: 1, season: 1 }),
}
const optionsSchema = z
  .object({
    // What is no filter or length is refused by its name.
    seasonal: z.string().default('auto'),
    henderson: z.union([z.literal('auto'), z.number()]).default('auto'),
    lower: z.number().default(USUAL_LIMITS.lower),
    upper: z.number().default(USUAL_LIMITS.upper),
    meanAbsoluteValue: z.number().optional(),
  })
  .prefault({})
type Options = z.infer<typeof optionsSchema>

function optionsOf({ seasonal, henderson, lower, upper }: Options): IteratedOptions {
  return {
    seasonal: seasonal === 'auto' ? null : (seasonal as SeasonalFilterName),
    henderson: henderson === 'auto' ? null : henderson,
    limits: { lower, upper },
  }
}

const adjustSchema = z.object({
  ...common,
  y: values,
  options: optionsSchema,
  extension: z.array(z.number()).default([]),
})

/** The whole procedure, every step of it. */
export function calcAdjust(input: unknown): unknown {
  const { y, options, m, start, model, extension } = readInput(adjustSchema, input)
  return named(() => {
    const adjusted = adjust({ seasons: m, start, values: y, extension }, model, optionsOf(options))
    const { frame, rounds, used, ic, filterChoice, seasonAhead } = adjusted
    const { round1, round2, round3 } = rounds
    const own = <T>(list: readonly T[]) => list.slice(0, frame.n)
    return {
      rounds: {
        round1: {
          ...round1,
          ...{ sigma1: byYear(round1.sigma1), sigma2: byYear(round1.sigma2) },
          sigma: byYear(round1.sigma),
        },
        round2: { ...round2, sigma: byYear(round2.sigma) },
        round3,
      },
      final: {
        season: own(round3.season2),
        adjusted: own(round3.adjusted),
        trendCycle: own(round3.trend),
        irregular: own(round3.irregular),
        weight: own(round2.weight),
        seasonAhead,
      },
      used,
      ic,
      msr: {
        bySeason: filterChoice.bySeason,
        tries: filterChoice.tries,
        choice: filterChoice.choice,
      },
      tests: testsOf(adjusted),
      shares: sharesBySpan(adjusted),
    }
  })
}

function testsOf({ frame, rounds }: Adjusted) {
  const { stable, kruskalWallis, moving, combined } = testAdjusted(
    frame,
    rounds.round3.siUnmodified,
  )
  return {
    stable: { F: stable.f, df1: stable.df[0], df2: stable.df[1], p: stable.p },
    kruskalWallis: { H: kruskalWallis.h, df: kruskalWallis.df, p: kruskalWallis.p },
    moving: {
      ...{ F: moving.f, df1: moving.df[0], df2: moving.df[1], p: moving.p },
      years: [moving.years[0] ?? null, moving.years.at(-1) ?? null],
    },
    combined: combined && {
      ...{ t1: combined.t1, t2: combined.t2, T: combined.t, verdict: combined.verdict },
    },
  }
}

/** The constants: filters with their ends, by the number of later values. */
export function calcWeights(): unknown {
  const ends = (rows: readonly (readonly number[])[]) => Object.fromEntries(rows.entries())
  const lengths = [...hendersonLengths(4), ...hendersonLengths(12)]
  return {
    henderson: Object.fromEntries(
      lengths.map((length) => {
        const filter = hendersonFilter(length)
        return [
          length,
          { symmetric: filter.symmetric, endRatio: filter.endRatio, ends: ends(filter.ends) },
        ]
      }),
    ),
    seasonal: Object.fromEntries(
      Object.entries(SEASONAL_FILTER).map(([name, { half, symmetric, ends: rows }]) => [
        name,
        { half, symmetric, ends: ends(rows) },
      ]),
    ),
    gainOfFirstTrend: Object.fromEntries(
      [12, 4].map((m) => [m, seasonalGain(centredWeights(m), m)]),
    ),
  }
}

const extremesSchema = z.object({
  ...common,
  irregular: values,
  si: values,
  options: optionsSchema,
})

/** Extremes of a given irregular, and what takes their place in a given seasonal-irregular. */
export function calcExtremes(input: unknown): unknown {
  const { irregular, si, options, ...of } = readInput(extremesSchema, input)
  const { lower, upper, meanAbsoluteValue } = options
  return named(() => {
    requireLimits({ lower, upper })
    const frame = {
      ...frameFor(of, irregular),
      ...(meanAbsoluteValue === undefined ? {} : { size: meanAbsoluteValue }),
    }
    const { sigma, weight } = extremesOf(frame, irregular, { lower, upper })
    return { sigma: byYear(sigma), weight, siReplaced: replaced(frame, si, weight) }
  })
}

const seasonalSchema = z.object({ ...common, si: values, filter: z.string() })

/** One seasonal step. */
export function calcSeasonal(input: unknown): unknown {
  const { si, filter, ...of } = readInput(seasonalSchema, input)
  return named(() => {
    return seasonalStep(frameFor(of, si), si, requireFilter(filter))
  })
}

const trendSchema = z.object({
  ...common,
  x: z.array(z.number()).min(1),
  step: z.enum(TREND_STEPS),
  options: optionsSchema,
})

/** One trend step. */
export function calcTrend(input: unknown): unknown {
  const { x, step, options, ...of } = readInput(trendSchema, input)
  return named(() => {
    const { henderson } = optionsOf(options)
    if (henderson !== null) requireLength(henderson, of.m)
    return trendStep(frameFor(of, x), x, step, henderson)
  })
}

const msrSchema = z.object({ ...common, si: values })

/** The ratio of moving seasonality, and the filter that it chooses. */
export function calcMovingRatio(input: unknown): unknown {
  const { si, ...of } = readInput(msrSchema, input)
  return named(() => chooseFilter(frameFor(of, si), si))
}

const revisionsSchema = z.object({
  ...common,
  y: values,
  years: z.int().min(1).max(100),
  options: optionsSchema,
})

/** How figures moved as the series grew. */
export function calcRevisions(input: unknown): unknown {
  const { y, years, options, m, start, model } = readInput(revisionsSchema, input)
  return named(() => ({
    revisions: finish(
      revisionSteps({ seasons: m, start, values: y }, model, optionsOf(options), years),
    ),
  }))
}

/** What a single step is read against: without a series of its own, the mean size of what it is given. */
function frameFor(
  { m, model, start }: { m: number; model: Frame['model']; start: Frame['start'] },
  list: readonly Value[],
): Frame {
  const { a, b } = spanOf(list)
  const present = list.slice(a, b + 1).filter((value) => value !== null)
  return { ...frameOf(model, { seasons: m, start, values: present }), n: list.length }
}

function byYear(sigma: ReadonlyMap<number, number>): Record<string, number> {
  return Object.fromEntries(sigma)
}

/** Refusals of this topic list what they name. */
function named(calculate: () => unknown): unknown {
  try {
    return calculate()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { refused: true, because: error.because, names: Object.values(error.names).flat() }
  }
}
