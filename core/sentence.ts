import type { Calendar } from './calendar/calendar'
import { countPeriods } from './calendar/labels'
import { MISSING_RULES, type MissingRule } from './care/fillMissing'
import { wayOf, waysFor } from './decompose/ways'
import { exclusionsOf, type Method } from './method'
import { MODELS, type Model } from './model'
import { adjustedValues } from './series/adjusted'
import type { Series } from './series/series'
import type { Piece, Word } from './word'

/**
 * The method in one sentence, every choice a word of its own.
 *
 * @param method complete
 * @example Sales as *multiplicative*, by *ratio to a 2×12 moving average*; indices by *mean*,
 *   *adjusted to average 1*; trend *a straight line*; project *12 months* with *80% and 95%* limits.
 */
export function methodSentence(method: Method, series: Series): Piece[] {
  const { decompose, trend, forecast } = method
  const { calendar } = series
  const way = wayOf(decompose.by)
  return [
    'Sales',
    ...missingPieces(method, series),
    ' as ',
    { id: 'model', text: decompose.model, ask: { kind: 'pick', choices: modelChoices(method) } },
    way.says(calendar).lead,
    wayWord(method, calendar),
    ...way.words(decompose, calendar),
    ...exclusionPieces(method),
    '; trend ',
    { id: 'trend', text: trendWords(trend.last, calendar), ask: { kind: 'own' } },
    '; project ',
    { id: 'horizon', text: countPeriods(forecast.horizon, calendar), ask: { kind: 'own' } },
    ' with ',
    { id: 'levels', text: levelWords(forecast.levels), ask: { kind: 'own' } },
    ' limits.',
  ]
}

/** The pieces as plain text. */
export function sentenceText(pieces: readonly Piece[]): string {
  return pieces.map((piece) => (typeof piece === 'string' ? piece : piece.text)).join('')
}

const MODEL_MEANS: Record<Model, string> = {
  multiplicative: 'The swing grows with the level; indices are factors around 1.',
  additive: 'The swing stays the same; indices are amounts around 0.',
}

function modelChoices({ decompose }: Method) {
  return MODELS.map((model) => ({
    text: model,
    means: MODEL_MEANS[model],
    chosen: decompose.model === model,
    change: { decompose: { model } },
  }))
}

/** How the series is taken apart; only ways that its calendar allows are offered. */
function wayWord({ decompose }: Method, calendar: Calendar): Word {
  return {
    id: 'by',
    text: wayOf(decompose.by).says(calendar).text,
    ask: {
      kind: 'pick',
      choices: waysFor(calendar).map(({ name, says }) => {
        const { text, means } = says(calendar)
        return { text, means, chosen: name === decompose.by, change: { decompose: { by: name } } }
      }),
    },
  }
}

function exclusionPieces(method: Method): Piece[] {
  const count = exclusionsOf(method).length
  if (count === 0) return []
  const text = `${count} ${count === 1 ? 'value' : 'values'} left out`
  return [', ', { id: 'exclude', text, ask: { kind: 'own' } }]
}

const MISSING_MEANS: Record<MissingRule, string> = {
  leave: 'No average is taken over a gap, and nothing is invented.',
  interpolate: 'A straight line from the value before the gap to the one after it.',
  seasonal: 'A straight line through the deseasonalized series, the season put back.',
  zero: 'Nothing was sold in those periods.',
}

/** Only a series with gaps has to be told what to do with them. */
function missingPieces({ missing }: Method, series: Series): Piece[] {
  if (missing === 'leave' && !adjustedValues(series).includes(null)) return []
  const choices = MISSING_RULES.map((rule) => ({
    text: missingWords(rule),
    means: MISSING_MEANS[rule],
    chosen: missing === rule,
    change: { missing: rule },
  }))
  const word: Word = {
    id: 'missing',
    text: missingWords(missing),
    ask: { kind: 'pick', choices },
  }
  return [', missing values ', word, ',']
}

export function missingWords(rule: MissingRule): string {
  return {
    leave: 'left missing',
    interpolate: 'interpolated',
    seasonal: 'interpolated with their season',
    zero: 'taken as zero',
  }[rule]
}

export function trendWords(last: number | undefined, calendar: Calendar): string {
  return last === undefined
    ? 'a straight line'
    : `a straight line through the last ${countPeriods(last, calendar)}`
}

/** `80% and 95%` */
export function levelWords(levels: readonly number[]): string {
  if (levels.length === 0) return 'no'
  const words = levels.map((level) => `${level}%`)
  return words.length === 1 ? words[0]! : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
}
