import { z } from 'zod'
import { MODEL, MODELS } from '../../core/model'
import { byYear } from '../../core/seasonality/byYear'
import { movingSeason } from '../../core/seasonality/movingSeason'
import { peakSpacing } from '../../core/seasonality/peakSpacing'
import { kruskalWallis, stableSeason } from '../../core/seasonality/stableSeason'
import { whichModel } from '../../core/seasonality/whichModel'
import { readInput, seriesInput } from './input'

/** How even the yearly swing is as an amount and as a share. */
export function calcWhichModel(input: unknown): unknown {
  const { y, start, m } = readInput(seriesInput, input)
  const got = whichModel(y, start, m)
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
  const { y, start, m } = readInput(seriesInput, input)
  const { years, differences, ratios, variation, better, close } = whichModel(y, start, m)
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

const seasonalitySchema = z.object({
  decomposition: z.enum(MODELS),
  m: z.int().min(2).max(1000),
  start: z.object({ year: z.int(), season: z.int().min(1) }),
  si: z.array(z.number().nullable()),
})

/** Stable and moving seasonality of seasonal-irregulars. */
export function calcSeasonality(input: unknown): unknown {
  const { decomposition, m, start, si } = readInput(seasonalitySchema, input)
  const years = byYear(si, start, m)
  const groups = Array.from({ length: m }, (_, k) =>
    years.flatMap(({ values }) => (values[k] === null ? [] : [values[k]!])),
  )
  return {
    stable: stableSeason(groups),
    kruskalWallis: kruskalWallis(groups),
    moving: movingSeason(years, MODEL[decomposition].neutral),
  }
}
