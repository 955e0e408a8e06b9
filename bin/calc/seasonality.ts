import { z } from 'zod'
import { axisOf } from '../../core/calendar/axis'
import { calculate } from '../../core/calculate'
import { without } from '../../core/decompose/parts'
import { METHOD_FORMAT } from '../../core/method'
import { MODEL, MODELS } from '../../core/model'
import { byYear } from '../../core/seasonality/byYear'
import { movingSeason } from '../../core/seasonality/movingSeason'
import { peakSpacing } from '../../core/seasonality/peakSpacing'
import { kruskalWallis, stableSeason } from '../../core/seasonality/stableSeason'
import { whichModel } from '../../core/seasonality/whichModel'
import { testSeason } from '../../core/seasonality/seasonTests'
import { stretchOf } from '../../core/series/stretch'
import { centredAverage } from '../../core/smoothing/movingAverage'
import { mean } from '../../core/statistics/average'
import { readInput, seriesInput, seriesOf, startInput } from './input'

/** How even the yearly swing is as an amount and as a share. */
export function calcWhichModel(input: unknown): unknown {
  const read = readInput(seriesInput, input)
  const got = whichModel(read.y, axisOf(seriesOf(read)))
  return {
    years: got.years,
    range_of_differences: got.differences,
    range_of_ratios: got.ratios,
    cv_of_differences: got.variation.additive,
    cv_of_ratios: got.variation.multiplicative,
    fits_better: got.better,
    close: got.close,
  }
}

/** The same in the shape of the topic of regression and tests. */
export function calcWhichModelTest(input: unknown): unknown {
  const read = readInput(seriesInput, input)
  const { years, differences, ratios, variation, better, close } = whichModel(
    read.y,
    axisOf(seriesOf(read)),
  )
  return {
    years,
    additive: { ranges: differences, cv: variation.additive },
    multiplicative: { ranges: ratios, cv: variation.multiplicative },
    better,
    close,
  }
}

const peaksSchema = seriesInput.extend({ half_width: z.int().min(1).optional() })

/** Peaks, troughs and the gaps between them. */
export function calcPeakSpacing(input: unknown): unknown {
  const { y, m, half_width } = readInput(peaksSchema, input)
  const got = peakSpacing(y, m, half_width)
  return {
    peaks: got.peaks,
    troughs: got.troughs,
    gaps_between_peaks: got.gapsBetweenPeaks,
    gaps_between_troughs: got.gapsBetweenTroughs,
    verdict: got.verdict,
  }
}

/** The same under the names of the topic of regression and tests; without a start, since gaps do not ask for one. */
export function calcPeakSpacingTest(input: unknown): unknown {
  const { y, m } = readInput(z.object({ y: seriesInput.shape.y, m: seriesInput.shape.m }), input)
  const got = peakSpacing(y, m)
  return {
    peaks: got.peaks,
    peakGaps: got.gapsBetweenPeaks,
    troughs: got.troughs,
    troughGaps: got.gapsBetweenTroughs,
  }
}

/** Below this range in per cent a season is too small to matter. */
const NEGLIGIBLE_PERCENT = 2

const seasonSchema = seriesInput.extend({
  decomposition: z.enum(MODELS),
  m: z.int().min(2).max(1000),
})

/** Everything that is asked of a season, from the values: ratios to a moving average, their tests, the indices. */
export function calcSeason(input: unknown): unknown {
  const read = readInput(seasonSchema, input)
  const { m, y, decomposition: model } = read
  const series = seriesOf(read)
  const stretch = stretchOf(series, 1, y.length)
  const ratios = without(y, centredAverage(y, m), model)
  const tests = testSeason(stretch, ratios, () => true, model)
  const { decomposed } = calculate(series, { format: METHOD_FORMAT, decompose: { model } })
  const indices = decomposed.season!.indices.map(({ index }) => index)
  const range = Math.max(...indices) - Math.min(...indices)
  const level = mean(y.filter((value) => value !== null))
  const rangePercent =
    model === 'multiplicative' ? 100 * range : level ? (100 * range) / Math.abs(level) : null
  const { oneYear, twoYears } = tests.autocorrelation
  return {
    stable: tests.stable,
    kruskalWallis: tests.kruskalWallis,
    moving: tests.moving,
    indices,
    rangePercent,
    autocorrelation: [
      { lag: m, r: oneYear },
      { lag: 2 * m, r: twoYears },
    ],
    negligible: !tests.found || (rangePercent !== null && rangePercent < NEGLIGIBLE_PERCENT),
  }
}

const seasonalitySchema = z.object({
  decomposition: z.enum(MODELS),
  m: z.int().min(2).max(1000),
  start: startInput,
  si: z.array(z.number().nullable()),
})

/** Stable and moving seasonality of seasonal-irregulars. */
export function calcSeasonality(input: unknown): unknown {
  const { decomposition, m, start, si } = readInput(seasonalitySchema, input)
  const years = byYear(si, axisOf(seriesOf({ unit: '', m, start, y: si })))
  const groups = Array.from({ length: m }, (_, k) =>
    years.flatMap(({ values }) => (values[k] === null ? [] : [values[k]!])),
  )
  return {
    stable: stableSeason(groups),
    kruskalWallis: kruskalWallis(groups),
    moving: movingSeason(years, MODEL[decomposition].neutral),
  }
}
