import type { Calendar } from '../../calendar/calendar'
import { MODEL, type Model } from '../../model'
import type { Choice, Piece, Word } from '../../word'
import type { SeasonalIndex } from '../parts'
import type { IndexStep } from '../way'
import type { AveragesTaken } from './calculate'
import type { GivenIndices } from './given'
import type { IndexAverage } from '../seasonalIndices'
import { areGiven, type AveragesOptions } from './options'

/** `2×12` or `7-term`, the average over one year of seasons. */
export function yearAverage({ seasons }: Calendar): string {
  return seasons % 2 === 0 ? `2×${seasons}` : `${seasons}-term`
}

const AVERAGE_MEANS: Record<IndexAverage, string> = {
  mean: 'Every value of the season counts alike.',
  median: 'The middle value; one freak year does not move it.',
  'trimmed-mean': 'The mean without the highest and the lowest value.',
}

/** `; indices by mean, adjusted to average 1`, or `; indices given (the group, 2025), not adjusted` */
export function wordsOfAverages(options: AveragesOptions, calendar: Calendar): Piece[] {
  const { adjust, model } = options
  return [
    '; ',
    ...(areGiven(options) ? [givenWord(options.indices)] : averagedWords(options.average)),
    ', ',
    {
      id: 'adjust',
      text: adjustWords(adjust, model),
      ask: { kind: 'pick', choices: adjustChoices(options, calendar) },
    },
  ]
}

function givenWord({ source }: GivenIndices): Word {
  return { id: 'indices', text: `indices given (${source})`, ask: { kind: 'own' } }
}

function averagedWords(average: IndexAverage): Piece[] {
  return [
    { id: 'indices', text: 'indices', ask: { kind: 'own' } },
    ' by ',
    {
      id: 'average',
      text: spoken(average),
      ask: {
        kind: 'pick',
        choices: (Object.keys(AVERAGE_MEANS) as IndexAverage[]).map((one) => ({
          text: spoken(one),
          means: AVERAGE_MEANS[one],
          chosen: one === average,
          change: { decompose: { average: one } },
        })),
      },
    },
  ]
}

function adjustChoices({ adjust, model }: AveragesOptions, { seasons }: Calendar): Choice[] {
  const choice = (wanted: boolean, means: string): Choice => ({
    text: adjustWords(wanted, model),
    means,
    chosen: adjust === wanted,
    change: { decompose: { adjust: wanted } },
  })
  return [
    choice(
      true,
      `The ${seasons} indices together leave the level as it is (${MODEL[model].neutral}).`,
    ),
    choice(false, 'The raw indices, as they are.'),
  ]
}

function adjustWords(adjust: boolean, model: Model): string {
  if (!adjust) return 'not adjusted'
  return model === 'multiplicative' ? 'adjusted to average 1' : 'adjusted to sum to 0'
}

/** `mean of 9` or `given (the group, 2025)`, then `÷ mean of the 12 raw indices`. */
export function indexStepsOfAverages(
  options: AveragesOptions,
  { rawIndexMean }: AveragesTaken,
  { count, raw }: SeasonalIndex,
  { seasons }: Calendar,
): IndexStep[] {
  const from = areGiven(options)
    ? `given (${options.indices.source})`
    : `${spoken(options.average)} of ${count}`
  const own = { what: from, value: raw }
  if (!options.adjust) return [own]
  const mean = `${MODEL[options.model].remove} mean of the ${seasons} raw indices`
  return [own, { what: mean, value: rawIndexMean }]
}

function spoken(average: IndexAverage): string {
  return average.replace('-', ' ')
}
