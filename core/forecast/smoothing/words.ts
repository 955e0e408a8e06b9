import type { Calendar } from '../../calendar/calendar'
import { onePeriod } from '../../calendar/labels'
import {
  SMOOTHING_ERRORS,
  SMOOTHING_SEASONS,
  SMOOTHING_TRENDS,
  formsHave,
  type WeightName,
} from '../../stateSpace/forms'
import type { Field, Piece, Word } from '../../word'
import { powerLabel, powerPieces } from '../powerWords'
import type { ForecastTold } from '../way'
import { formsOf, type SmoothingOptions } from './options'

const TREND_SAYS = {
  none: { text: 'no trend', means: 'The latest level goes on.' },
  additive: { text: 'a trend', means: 'The latest slope goes on without end.' },
  damped: { text: 'a damped trend', means: 'The latest slope goes on and dies away.' },
  multiplicative: { text: 'a growth', means: 'The latest growth goes on; far out it runs away.' },
  chosen: { text: 'the trend chosen', means: 'The kind of trend with the lowest AICc.' },
} as const
const SEASON_SAYS = {
  none: { text: 'no season', means: 'Nothing comes back with the seasons.' },
  additive: { text: 'an additive season', means: 'Amounts that are revised each time.' },
  multiplicative: {
    text: 'a multiplicative season',
    means: 'Factors that are revised each time.',
  },
  chosen: { text: 'the season chosen', means: 'The kind of season with the lowest AICc.' },
} as const
const ERROR_SAYS = {
  additive: { text: 'errors of one size', means: 'Errors do not grow with the level.' },
  proportional: { text: 'errors in proportion', means: 'Errors grow with the forecast.' },
  chosen: { text: 'the errors chosen', means: 'The kind of errors with the lowest AICc.' },
} as const

/** What each weight is the weight of. */
export const WEIGHT_SAYS: Readonly<Record<WeightName, string>> = {
  alpha: 'α, of the level',
  beta: 'β, of the trend',
  gamma: 'γ, of the season',
  phi: 'φ, damping',
}

/** `, with a damped trend, a multiplicative season, errors in proportion, weights chosen, starting where chosen, values as they are` */
export function wordsOfSmoothing(options: SmoothingOptions, { calendar }: ForecastTold): Piece[] {
  const { trend, season, error, weights } = options
  const pick = <T extends string>(
    key: 'trend' | 'season' | 'error',
    all: readonly T[],
    says: Readonly<Record<T, { readonly text: string; readonly means: string }>>,
    chosen: T,
  ): Piece => ({
    id: `smoothing-${key}`,
    text: says[chosen].text,
    ask: {
      kind: 'pick',
      choices: all.map((one) => ({
        ...says[one],
        chosen: one === chosen,
        // What another form does not have would be refused.
        change: { forecast: { [key]: one, weights: undefined, initial: undefined } },
      })),
    },
  })
  const names = formsHave(formsOf(options, calendar.seasons))
  const fixed = names.filter((name) => weights[name] !== undefined)
  return [
    ', with ',
    pick('trend', [...SMOOTHING_TRENDS, 'chosen'], TREND_SAYS, trend),
    ...(calendar.seasons < 2
      ? []
      : [', ', pick('season', [...SMOOTHING_SEASONS, 'chosen'], SEASON_SAYS, season)]),
    ', ',
    pick('error', [...SMOOTHING_ERRORS, 'chosen'], ERROR_SAYS, error),
    ', ',
    {
      id: 'weights',
      text:
        fixed.length === 0
          ? 'weights chosen'
          : fixed.map((name) => `${WEIGHT_SAYS[name][0]} ${weights[name]}`).join(', '),
      ask: {
        kind: 'fields',
        lead: 'Each weight says how much the newest counts: 0 for never revised, 1 for only the newest. A figure here fixes it.',
        fields: names.map((name): Field => ({
          kind: 'number',
          // The figure beside a weight that is chosen is only what it could be fixed at.
          label: `${WEIGHT_SAYS[name]}: ${weights[name] === undefined ? 'chosen, or' : 'fixed'}`,
          path: ['forecast', 'weights', name],
          value: weights[name] ?? USUAL[name],
          isOpen: weights[name] === undefined,
          ...{ least: name === 'phi' ? 0.01 : 0, most: 1, step: 0.01, unit: '' },
          shortcuts: [{ text: 'chosen', value: undefined }],
        })),
        usual: { forecast: { weights: undefined } },
      },
    },
    ', starting ',
    initialWord(options, calendar),
    ', values ',
    ...powerPieces(options),
  ]
}

const START_SAYS = {
  chosen: {
    text: 'where chosen',
    means:
      'Level, trend and season before the first period with the highest likelihood, together with the weights.',
  },
  rule: {
    text: 'by the rule',
    means:
      'Season from the first turns of it, level and trend from a line through the first values.',
  },
} as const

/** Where the states start: chosen, by the rule, or as they are given, each to be typed. */
function initialWord({ initial }: SmoothingOptions, calendar: Calendar): Word {
  if (typeof initial === 'string') {
    return {
      id: 'initial',
      text: START_SAYS[initial].text,
      ask: {
        kind: 'pick',
        choices: (['chosen', 'rule'] as const).map((one) => ({
          ...START_SAYS[one],
          chosen: one === initial,
          change: { forecast: { initial: one } },
        })),
      },
    }
  }
  const { level, trend, season = [] } = initial
  const field = (label: string, path: readonly string[], value: number): Field => ({
    kind: 'number',
    label,
    path: ['forecast', 'initial', ...path],
    value,
    ...{ least: -MOST_STATE, most: MOST_STATE, step: roughly(value), unit: '' },
  })
  return {
    id: 'initial',
    text: 'as given',
    ask: {
      kind: 'fields',
      lead: `States before the first period${season.length > 0 ? `; the season of each ${onePeriod(calendar)} stays as it was when they were held` : ''}.`,
      fields: [
        field('level', ['level'], level),
        ...(trend === undefined ? [] : [field('slope', ['trend'], trend)]),
      ],
      usual: { forecast: { initial: undefined } },
    },
  }
}

/** Beyond this a state is no figure of a series. */
const MOST_STATE = 1e15

/** A step of about a hundredth of a figure, a power of ten. */
function roughly(value: number): number {
  return 10 ** (Math.floor(Math.log10(Math.abs(value) || 1)) - 2)
}

const USUAL: Readonly<Record<WeightName, number>> = { alpha: 0.3, beta: 0.1, gamma: 0.2, phi: 0.95 }

/** `a damped trend, a multiplicative season, errors in proportion` */
export function formWords({
  trend,
  season,
  error,
}: Pick<SmoothingOptions, 'trend' | 'season' | 'error'>): string {
  return `${TREND_SAYS[trend].text}, ${SEASON_SAYS[season].text}, ${ERROR_SAYS[error].text}`
}

/** `smoothing with a damped trend, a multiplicative season, errors in proportion` */
export function labelOfSmoothing(options: SmoothingOptions): string {
  const fixed = Object.keys(options.weights).length > 0 ? ', weights fixed' : ''
  const { transform, trend, season, error } = options
  const isChosen = [trend, season, error].every((part) => part === 'chosen')
  return `smoothing ${isChosen ? 'in the form with the lowest AICc' : `with ${formWords(options)}`}${fixed}${powerLabel(transform)}`
}
