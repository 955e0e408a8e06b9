import type { ForecastWay } from '../way'
import { forecastByCombination, type CombinationForecast } from './calculate'
import { columnsOfCombination } from './columns'
import { findingsOfCombination } from './findings'
import {
  combinationDocument,
  completeCombination,
  usualMembers,
  type CombinationDocument,
  type CombinationOptions,
} from './options'
import { labelOfCombination, wordsOfCombination } from './words'

/** The mean or median of what several methods say. */
export const combination = {
  name: 'combination',
  home: 'by combination',
  says: {
    text: 'by combination',
    means: 'The mean or median of several methods; the decomposition stays to look at.',
  },
  extendsTrend: false,
  fitsTrend: false,
  hasOwnTrend: false,
  steps: ({ of }, _, ofMember) => of.reduce((sum, member) => sum + ofMember(member), 0),
  isBenchmark: false,
  limits: ['past-errors'],
  document: combinationDocument,
  complete: completeCombination,
  within: ({ of, ...document }, _, memberWithin) => ({
    ...document,
    ...(of ? { of: of.map(memberWithin) } : {}),
  }),
  members: {
    of: ({ of }, decompose) => of ?? usualMembers(decompose),
    are: (members) => ({ by: 'combination', of: members }),
    found: ({ members }) => members,
    words: ({ average, of }) => `the ${average} of ${of.length} methods`,
  },
  forecast: forecastByCombination,
  columns: columnsOfCombination,
  words: wordsOfCombination,
  findings: findingsOfCombination,
  label: labelOfCombination,
  // The contest makes one of its own, of those that came first.
  candidates: () => [],
} as const satisfies ForecastWay<CombinationDocument, CombinationOptions, CombinationForecast>
