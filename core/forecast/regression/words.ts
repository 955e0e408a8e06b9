import { seasonLabel } from '../../calendar/labels'
import { MODELS } from '../../model'
import { SEASON_FORMS, type SeasonForm } from '../../regression/regressors/seasonForms'
import { TREND_FORMS } from '../../trend/forms'
import { FITTED_FORMS } from '../../trend/leastSquares/forms'
import { requireFitted } from '../../trend/options'
import type { Choice, Field, Piece } from '../../word'
import { backTransformWord } from '../backTransformWord'
import { eventsText, eventsWord } from '../eventsWord'
import type { ForecastTold } from '../way'
import type { RegressionOptions } from './options'

const SEASON_SAYS: Readonly<
  Record<SeasonForm['form'], { readonly text: string; readonly means: string }>
> = {
  none: { text: 'no season', means: 'Trend and events alone.' },
  effects: {
    text: 'every season against the average',
    means: 'Each season as what it adds to the average one.',
  },
  dummies: {
    text: 'every season against one',
    means: 'Each season as what it adds to a base season.',
  },
  fourier: {
    text: 'a season of waves',
    means: 'A few smooth waves: of a whole turn of the seasons, of half, of a third …',
  },
  'dummies-by-trend': {
    text: 'a slope for every season',
    means: 'Each season rises or falls at its own rate; needs a straight trend.',
  },
}

/** `, multiplicative, with every season against the average and 1 event` */
export function wordsOfRegression(options: RegressionOptions, told: ForecastTold): Piece[] {
  const { model, backTransform } = options
  return [
    ', ',
    {
      id: 'regressionModel',
      text: model,
      ask: { kind: 'pick', choices: modelChoices(options, told) },
    },
    ', with ',
    {
      id: 'regressionSeason',
      text: SEASON_SAYS[options.season].text,
      ask: { kind: 'pick', choices: seasonChoices(options, told) },
    },
    ...codingPieces(options, told),
    ' and ',
    eventsWord(options),
    ...(backTransform === undefined ? [] : [', as the ', backTransformWord(backTransform)]),
  ]
}

/** `regression, multiplicative, with every season against the average; a straight line` */
export function labelOfRegression(
  options: RegressionOptions,
  { trend }: { readonly trend: string },
): string {
  const { model, season } = options
  const events = eventsText(options)
  const known = events ? ` and ${events}` : ''
  return `regression, ${model}, with ${SEASON_SAYS[season].text}${known}; ${trend}`
}

function modelChoices({ model }: RegressionOptions, { trend }: ForecastTold): Choice[] {
  const isOfLog = TREND_FORMS[trend.form].ofLog
  return MODELS.filter((one) => one === 'multiplicative' || !isOfLog).map((one) => ({
    text: one,
    means:
      one === 'additive'
        ? 'Fitted to the values: a season adds the same amount every time.'
        : 'Fitted to their logarithms: a season adds the same share every time.',
    chosen: one === model,
    change: { forecast: { model: one, backTransform: undefined } },
  }))
}

function seasonChoices({ season }: RegressionOptions, { calendar, trend }: ForecastTold): Choice[] {
  const { degree, bends } = FITTED_FORMS[requireFitted(trend).form]
  const isStraight = degree === 1 && !bends
  return SEASON_FORMS.filter((one) => one === 'none' || calendar.seasons > 1)
    .filter((one) => one !== 'dummies-by-trend' || isStraight)
    .map((one) => ({
      ...SEASON_SAYS[one],
      chosen: one === season,
      change: { forecast: { season: one, base: undefined, pairs: undefined } },
    }))
}

/** What a coding asks beside: the base season, or how many waves. */
function codingPieces({ base, pairs }: RegressionOptions, { calendar }: ForecastTold): Piece[] {
  const { seasons } = calendar
  if (base !== undefined) {
    const field: Field = {
      kind: 'choice',
      label: 'compared with',
      path: ['forecast', 'base'],
      value: base,
      options: Array.from({ length: seasons }, (_, k) => ({
        value: k + 1,
        text: seasonLabel(k + 1, calendar),
      })),
    }
    const usual = { forecast: { base: undefined } }
    return [
      ' (base ',
      {
        id: 'base',
        text: seasonLabel(base, calendar),
        ask: { kind: 'fields', fields: [field], usual },
      },
      ')',
    ]
  }
  if (pairs === undefined) return []
  const most = Math.floor(seasons / 2)
  const field: Field = {
    kind: 'number',
    label: 'waves',
    path: ['forecast', 'pairs'],
    value: pairs,
    ...{ least: 1, most, unit: `of ${most}` },
    shortcuts: [{ text: `all ${most}`, value: most }],
  }
  const usual = { forecast: { pairs: undefined } }
  return [
    ' (',
    {
      id: 'pairs',
      text: `${pairs} ${pairs === 1 ? 'wave' : 'waves'}`,
      ask: { kind: 'fields', fields: [field], usual },
    },
    ')',
  ]
}
