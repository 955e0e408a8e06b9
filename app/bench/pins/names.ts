import { forecastWayOf } from '~~/core/forecast/ways'
import type { Result } from '~~/core/result'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { forecastName } from '~~/core/methodName'
import { forecastPieces } from '~~/core/sentence/forecast'
import { choicesOf, decompositionName } from './comparison'

/** Choices that tell methods apart which decompose and forecast alike, beside the words of the forecast. */
const BEFORE_FORECAST = ['model', 'by', 'details'] as const
const AFTER_FORECAST = [
  'methods combined',
  'trend',
  'left out',
  'missing values',
  'values',
  'span',
  'limits',
  'by hand',
] as const

/**
 * What compared methods are called: by what differs between them, and by nothing that is the same in all.
 *
 * @returns a name for each, no two alike unless the methods are
 * @example `a smoothed level with a damped slope` beside `a straight line`, where all are multiplicative
 */
export function namesOf(results: readonly Result[]): string[] {
  const decompositions = results.map(decompositionName)
  const forecasts = forecastsApart(results)
  const names = isSameInAll(forecasts)
    ? isSameInAll(decompositions) && results.length > 1
      ? results.map(() => '')
      : decompositions
    : isSameInAll(decompositions)
      ? forecasts
      : results.map((one, i) => nameOf(one, decompositions[i]!))
  return toldApart(names, results).map((name, i) => name || forecasts[i]!)
}

/** How each forecasts; of one way of forecasting only the words that differ, where these tell them apart. */
function forecastsApart(results: readonly Result[]): string[] {
  const words = results.map(forecastWordsOf)
  const ids = [...new Set(words.flatMap((own) => [...own.keys()]))]
  const differing = ids.filter((id) => !isSameInAll(words.map((own) => own.get(id) ?? '')))
  const short = words.map((own) => differing.flatMap((id) => own.get(id) ?? []).join(', '))
  const isOneWay = isSameInAll(results.map(({ method }) => method.forecast.by))
  return isOneWay && differing.length > 0 && countOf(short) === results.length
    ? short
    : results.map((one) => nameOf(one, ''))
}

/** How a method forecasts; of methods combined how many, since they have a line of their own. */
function nameOf(result: Result, decomposition: string): string {
  const { method } = result
  const { members } = forecastWayOf(method.forecast.by)
  return (
    members?.words(method.forecast) ?? forecastName(method, calendarOfResult(result), decomposition)
  )
}

/** The names with as many choices behind them as tell them apart. */
function toldApart(names: readonly string[], results: readonly Result[]): string[] {
  const choices = results.map((one) => new Map([...choicesOf(one), ...forecastWordsOf(one)]))
  const ofForecast = new Set(results.flatMap((one) => [...forecastWordsOf(one).keys()]))
  return [...BEFORE_FORECAST, ...ofForecast, ...AFTER_FORECAST].reduce<string[]>(
    (so, what) => {
      const longer = so.map((name, i) => withWords(name, what, choices[i]!.get(what)))
      return countOf(longer) > countOf(so) ? longer : so
    },
    [...names],
  )
}

/** The words of a forecast one by one: of two smoothings that differ in a weight, the weight is what to say. */
function forecastWordsOf(result: Result): ReadonlyMap<string, string> {
  const pieces = forecastPieces(result.method, calendarOfResult(result))
  return new Map(
    pieces.flatMap((piece) =>
      typeof piece === 'string' ? [] : [[`word ${piece.id}`, piece.text] as const],
    ),
  )
}

function withWords(name: string, what: string, words: string | undefined): string {
  if (words === undefined) return name
  const said = NEEDS_ITS_NAME.has(what) ? `${what}: ${words}` : words
  return name ? `${name}; ${said}` : said
}

/** Choices whose words alone do not say what they are about. */
const NEEDS_ITS_NAME: ReadonlySet<string> = new Set(['left out', 'missing values', 'span'])

const countOf = (names: readonly string[]) => new Set(names).size
const isSameInAll = (names: readonly string[]) => countOf(names) <= 1
