import type { DecompositionWay } from '../way'
import { decomposeLoess, stepsOfLoess, type LoessTaken } from './calculate'
import { columnsOfLoess } from './columns'
import { findingsOfLoess } from './findings'
import { completeLoess, loessDocument, type LoessDocument, type LoessOptions } from './options'
import { stabilityOfLoess } from './stability'
import { wordsOfLoess } from './words'

/** Trend and season smoothed locally, in turns, outliers losing weight. */
export const loess: DecompositionWay<LoessDocument, LoessOptions, LoessTaken> = {
  name: 'stl',
  home: 'by robust loess',
  document: loessDocument,
  traits: { hasSeason: true, seasonMayChange: true, trendIsLine: false, followsLevel: true },
  steps: stepsOfLoess,
  complete: completeLoess,
  decompose: decomposeLoess,
  weights: ({ weights }) => weights,
  stability: stabilityOfLoess,
  columns: columnsOfLoess,
  findings: findingsOfLoess,
  advice: (waves) =>
    waves === 'slowly' ? 'Try a shorter trend window.' : 'Try a shorter season window.',
  entersContest: () => true,
  says: () => ({
    lead: ', by ',
    text: 'robust loess',
    means:
      'Smooths trend and season locally: the season may change over the years, and outliers do no harm.',
  }),
  whyNoSeason: () => null,
  words: wordsOfLoess,
  indices: () => ({
    ...{ raw: 'mean of the years', restOnYears: true, areAverages: false },
    ofYear: 'of the last year',
    ahead: 'The season may change from year to year; the forecast repeats that of the last year.',
  }),
  ownKeys: ({ lastPass }) => ({ lastPass }),
  smooths: ({ trendWindow }) => `loess over ${trendWindow}, ends kept`,
  average: () => null,
  indexSteps: (_, __, { raw }) => [{ what: 'mean of the smoothed years', value: raw }],
}
