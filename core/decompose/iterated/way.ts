import { stabilityByRefit } from '../stability'
import type { DecompositionWay } from '../way'
import { decomposeIterated, type IteratedTaken } from './calculate'
import { columnsOfIterated } from './columns'
import { findingsOfIterated } from './findings'
import {
  canBeIterated,
  completeIterated,
  iteratedDocument,
  type IteratedDocument,
  type IteratedOptions,
} from './options'
import { FEWEST_YEARS } from './requirements'
import { wordsOfIterated } from './words'

/** Some forty passes over the series, each of a filter. */
const A_PERIOD = 900

/** Moving averages in three rounds, extremes taken back between them. */
export const iterated: DecompositionWay<IteratedDocument, IteratedOptions, IteratedTaken> = {
  name: 'iterated',
  home: 'by iterated averages',
  document: iteratedDocument,
  traits: { hasSeason: true, seasonMayChange: true, trendIsLine: false, followsLevel: true },
  takes: ({ seasons }) => canBeIterated(seasons),
  steps: (_, { periods }) => A_PERIOD * periods,
  complete: completeIterated,
  decompose: (stretch, options, _leftOut, carryOn) => decomposeIterated(stretch, options, carryOn),
  carriedOnBy: ({ extend }) => extend || null,
  weights: ({ rounds }) => rounds.round2.weight,
  inPlace: ({ rounds }) => rounds.round3.si2,
  stability: (stretch, options, leftOut, _decomposed, carryOn) =>
    stabilityByRefit(
      stretch,
      leftOut,
      FEWEST_YEARS,
      (shorter) => decomposeIterated(shorter, options, carryOn).season!.indices,
    ),
  columns: columnsOfIterated,
  findings: findingsOfIterated,
  advice: (waves) =>
    waves === 'slowly' ? 'Try a shorter trend filter.' : 'Try a shorter season filter.',
  entersContest: ({ seasons }) => canBeIterated(seasons),
  says: () => ({
    lead: ', by ',
    text: 'iterated averages',
    means:
      'Averages trend and season in three rounds, extremes taken back in between, as published figures are adjusted.',
  }),
  whyNoSeason: () => null,
  words: wordsOfIterated,
  indices: ({ extend }) => ({
    ...{ raw: 'mean of the years', restOnYears: true, areAverages: false },
    ofYear: 'of the year ahead',
    ahead: `The season may change from year to year; the forecast takes ${extend ? 'the factors of the year carried on' : 'those of the last year, moved on by half of what they last changed'}.`,
  }),
  ownKeys: () => ({}),
  smooths: ({ trendFilter }) =>
    typeof trendFilter === 'number'
      ? `${trendFilter} terms, ends kept`
      : 'trend filter chosen, ends kept',
  average: () => null,
  indexSteps: (_, __, { raw }) => [{ what: 'mean of the factors of all years', value: raw }],
}
