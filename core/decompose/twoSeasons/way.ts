import { without } from '../parts'
import type { DecompositionWay } from '../way'
import { decomposeTwoSeasons, stepsOfTwoSeasons, type TwoSeasonsTaken } from './calculate'
import { columnsOfTwoSeasons } from './columns'
import { findingsOfTwoSeasons } from './findings'
import {
  completeTwoSeasons,
  twoSeasonsDocument,
  usualSeasons,
  type TwoSeasonsDocument,
  type TwoSeasonsOptions,
} from './options'
import { wordsOfTwoSeasons } from './words'

/** A shorter and a longer season at once: the week and the year of days, the day and the week of hours. */
export const twoSeasons: DecompositionWay<TwoSeasonsDocument, TwoSeasonsOptions, TwoSeasonsTaken> =
  {
    name: 'two-seasons',
    home: 'with two seasons',
    document: twoSeasonsDocument,
    // The index of one and the same weekday differs over the year.
    traits: { hasSeason: true, seasonMayChange: true, trendIsLine: false, followsLevel: true },
    takes: (calendar) => usualSeasons(calendar) !== null,
    steps: stepsOfTwoSeasons,
    complete: completeTwoSeasons,
    decompose: decomposeTwoSeasons,
    weights: ({ weights }) => weights,
    stability: () => null,
    withoutOther: (values, { seasons }, model, own) =>
      without(values, seasons.find((season) => season.seasons !== own)!.byPeriod, model),
    columns: columnsOfTwoSeasons,
    findings: findingsOfTwoSeasons,
    advice: (waves) =>
      waves === 'slowly'
        ? 'The level bends faster than an average of the longer season.'
        : 'The shorter season differs over the longer, which two fixed ones do not tell.',
    entersContest: () => false,
    says: () => ({
      lead: ', by ',
      text: 'two seasons',
      means: 'A shorter and a longer season, each found in what the other leaves.',
    }),
    whyNoSeason: () => null,
    words: wordsOfTwoSeasons,
    indices: ({ each }) => ({
      raw: each === 'averages' ? 'mean' : 'mean of the cycles',
      ...{ restOnYears: false, areAverages: false },
      ofYear: each === 'averages' ? '' : 'of the last cycle',
      ahead: 'Both seasons are put back in the forecast.',
    }),
    ownKeys: () => ({}),
    smooths: ({ each, seasons }) =>
      each === 'averages'
        ? `average of ${seasons[1]}; ${Math.floor(seasons[1] / 2)} lost at each end`
        : 'loess, ends kept',
    average: () => null,
    indexSteps: (_, __, { raw }) => [{ what: 'raw index', value: raw }],
  }
