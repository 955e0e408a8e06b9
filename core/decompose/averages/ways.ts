import { oneCycle } from '../../calendar/labels'
import type { Model } from '../../model'
import type { DecompositionWay } from '../way'
import { decomposeByAverages, type AveragesTaken } from './calculate'
import { columnsOfAverages, uncertaintyOfAverages } from './columns'
import { findingsOfAverages } from './findings'
import {
  areGiven,
  averagesDocument,
  completeAverages,
  type AveragesDocument,
  type AveragesOptions,
} from './options'
import { stabilityOfAverages } from './stability'
import { indexStepsOfAverages, wordsOfAverages, yearAverage } from './words'

const ALWAYS_THE_SAME = { ofYear: '', ahead: '' } as const

type AveragesWay = DecompositionWay<AveragesDocument, AveragesOptions, AveragesTaken>

/** An average of a year around each period, once over the periods and once over each season, and what is made of them. */
const A_PERIOD = 200

/** What the three ways have in common: the indices are averages. */
const COMMON = {
  home: 'by averaged indices',
  document: averagesDocument,
  steps: (_, { periods }) => A_PERIOD * periods,
  complete: completeAverages,
  decompose: decomposeByAverages,
  weights: () => null,
  stability: stabilityOfAverages,
  columns: columnsOfAverages,
  uncertainty: uncertaintyOfAverages,
  findings: findingsOfAverages,
  whyNoSeason: () => null,
  distinguishes: (options) =>
    areGiven(options) ? 'by given indices' : AVERAGE_SAYS[options.average],
  words: wordsOfAverages,
  indices: (options) =>
    areGiven(options)
      ? { raw: 'given', restOnYears: false, areAverages: false, ...ALWAYS_THE_SAME }
      : {
          ...{ raw: options.average.replace('-', ' '), restOnYears: true, areAverages: true },
          ...ALWAYS_THE_SAME,
        },
  adjusted: (options, { rawIndexMean }) =>
    areGiven(options) ? null : { mean: rawIndexMean, isAdjusted: options.adjust },
  ownKeys: (taken) => ({
    rawIndexMean: taken.rawIndexMean,
    ...('line' in taken ? { trendOfOriginal: taken.line } : {}),
    ...('overallMean' in taken ? { overallMean: taken.overallMean } : {}),
  }),
  indexSteps: indexStepsOfAverages,
} satisfies Partial<AveragesWay>

const AVERAGE_SAYS = { mean: '', median: 'by median', 'trimmed-mean': 'by trimmed mean' } as const

/** What is formed of a value and its level. */
function departureWords(model: Model): string {
  return model === 'additive' ? 'difference from' : 'ratio to'
}

const ADVICE_WITH_SEASON = 'Try robust loess, where the season may change over the years.'
const NO_STRAIGHT_LINE =
  'Try the ratio to a moving average, or robust loess: the level is no straight line.'

/** Each value against the average of the year around it. */
export const ratioToMovingAverage: AveragesWay = {
  ...COMMON,
  name: 'ratio-to-moving-average',
  traits: { hasSeason: true, seasonMayChange: false, trendIsLine: false, followsLevel: true },
  says: (calendar, model) => ({
    lead: ', by ',
    text: `${departureWords(model)} a ${yearAverage(calendar)} moving average`,
    means: `Compares each value with the average of the ${oneCycle(calendar)} around it; half a ${oneCycle(calendar)} is lost at each end.`,
  }),
  advice: (waves) =>
    waves === 'slowly'
      ? 'The level bends faster than an average of a year, or the season moves: try robust loess.'
      : ADVICE_WITH_SEASON,
  entersContest: () => true,
  smooths: (_, { seasons: m }) =>
    `${m % 2 === 0 ? `2×${m}` : m}; ${Math.floor(m / 2)} lost at each end`,
  average: (_, { seasons }) => ({ kind: 'centred', order: seasons }),
}

/** Each value against one line through the series. */
export const ratioToTrend: AveragesWay = {
  ...COMMON,
  name: 'ratio-to-trend',
  traits: { hasSeason: true, seasonMayChange: false, trendIsLine: true, followsLevel: true },
  says: (_, model) => ({
    lead: ', by ',
    text: `${departureWords(model)} trend`,
    means:
      'Compares each value with one line through the whole series; a cycle stays in the ratios.',
  }),
  advice: (waves) => (waves === 'slowly' ? NO_STRAIGHT_LINE : ADVICE_WITH_SEASON),
  entersContest: () => false,
  smooths: () => 'by a line',
  average: () => null,
}

/** Each season's average against that of all seasons. */
export const simpleAverages: AveragesWay = {
  ...ratioToTrend,
  name: 'simple-averages',
  traits: { ...ratioToTrend.traits, followsLevel: false },
  says: () => ({
    lead: ', by ',
    text: 'simple averages',
    means: 'Compares each season’s average with that of all seasons; right only without a trend.',
  }),
}
