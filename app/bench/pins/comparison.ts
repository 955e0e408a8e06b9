import { MODEL, MODELS } from '~~/core/model'
import type { MethodDocument } from '~~/core/method'
import type { Result } from '~~/core/result'
import { trendWords } from '~~/core/trend/words'
import type { Value } from '~~/core/series/series'
import { mean } from '~~/core/statistics/average'
import { robustSpread, standardDeviation } from '~~/core/statistics/spread'
import { countPeriods, periodLabel } from '~~/core/calendar/labels'
import { parsePeriod } from '~~/core/calendar/codes'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { wayOf } from '~~/core/decompose/ways'
import { exclusionsOf } from '~~/core/method'
import { bentWords } from '~~/core/forecast/assumptions/words'
import { levelWords, LIMITS_SAY } from '~~/core/sentence/forecast'
import { forecastWords, usesTrend } from '~~/core/sentence/sentence'
import { membersOf } from '~~/core/picture/membersOf'
import { piecesText } from '~~/core/word'
import { missingWords } from '~~/core/prepare/fill/words'

/** A method and its result, beside others. */
export interface Compared {
  readonly document: MethodDocument
  readonly result: Result
  /** null for the method on the Bench, when it is not pinned. */
  readonly pin: number | null
}

/** How a method decomposes, in a word: its model, and its way where that lets the season change. */
export function decompositionName(result: Result): string {
  const { decompose } = result.method
  const way = wayOf(decompose.by)
  return way.traits.seasonMayChange
    ? `${way.says(calendarOfResult(result), decompose.model).text}, ${decompose.model}`
    : decompose.model
}

/** The components of a result in units of the series, whatever its model: the only fair common scale. */
export interface ComparableComponents {
  readonly sales: readonly Value[]
  readonly trendCycle: readonly Value[]
  /** What the season adds. */
  readonly season: readonly Value[]
  /** What neither explains. */
  readonly irregular: readonly Value[]
}

export function comparableComponents({ columns }: Result): ComparableComponents {
  const less = (a: readonly Value[], b: readonly Value[]): Value[] =>
    a.map((value, i) => (value === null || b[i] === null ? null : value - b[i]!))
  return {
    sales: columns.value,
    trendCycle: columns.trendCycle,
    season: less(columns.recomposed, columns.trendCycle),
    irregular: less(columns.value, columns.recomposed),
  }
}

/** Standard deviation of what trend-cycle and season leave, in units of the series. */
export function leftoverSpread(result: Result): Value {
  return standardDeviation(comparableComponents(result).irregular.filter((value) => value !== null))
}

/** The same spread, not decided by a single outlier. */
export function robustLeftoverSpread(result: Result): Value {
  return robustSpread(comparableComponents(result).irregular.filter((value) => value !== null))
}

/** An index as a share of the level, so that amounts and factors stand side by side. */
export function indexShare(result: Result, season: number): Value {
  const { model } = result.method.decompose
  const row = result.seasons[season - 1]
  if (!row) return null
  const departure = row.index - MODEL[model].neutral
  if (model === 'multiplicative') return departure
  const level = mean(result.columns.trendCycle.filter((value) => value !== null))
  return level ? departure / level : null
}

/** Whether all methods have the same indices. */
export function haveSameIndices(results: readonly Result[]): boolean {
  const said = results.map((result) =>
    JSON.stringify(result.seasons.map((_, i) => indexShare(result, i + 1))),
  )
  return results.length > 1 && new Set(said).size === 1
}

/** Lowest and highest figure of several lists. */
export function boundsOf(lists: readonly (readonly Value[])[]): { low: number; high: number } {
  let [low, high] = [Infinity, -Infinity]
  for (const list of lists) {
    for (const value of list) {
      if (value === null) continue
      low = Math.min(low, value)
      high = Math.max(high, value)
    }
  }
  return low <= high ? { low, high } : { low: 0, high: 1 }
}

/**
 * The periods that every method forecasts, by their time codes: methods whose spans end apart forecast other ones.
 *
 * @returns null where there is none
 */
export function commonAhead(results: readonly Result[]): { from: number; to: number } | null {
  const from = Math.max(...results.map(({ forecast }) => forecast.t[0]!))
  const to = Math.min(...results.map(({ forecast }) => forecast.t.at(-1)!))
  return from <= to ? { from, to } : null
}

/** Sum of a forecast over a stretch of its periods. */
export function forecastSum(
  { forecast }: Result,
  { from, to }: { from: number; to: number },
): number {
  return forecast.forecast.reduce((sum, value, i) => {
    const t = forecast.t[i]!
    return t >= from && t <= to ? sum + value : sum
  }, 0)
}

/** The choices of a method in words, by what they decide. */
export function choicesOf(result: Result): ReadonlyMap<string, string> {
  const { decompose, trend, forecast, missing, span } = result.method
  const members = membersOf(result)
  const way = wayOf(decompose.by)
  const left = exclusionsOf(result.method)
  const calendar = calendarOfResult(result)
  const label = (code: string) => periodLabel(parsePeriod(code, calendar)!, calendar)
  return new Map([
    ['model', decompose.model],
    // The model has its own line: the same way is said in the same words whatever it is.
    ['by', way.says(calendar, MODELS[0]).text],
    ['details', piecesText(way.words(decompose, calendar)).replace(/^[;,] /, '')],
    [
      'left out',
      left.length === 0 ? 'nothing' : left.map(({ period }) => label(period)).join(', '),
    ],
    ['missing values', missingWords(missing)],
    ['values', valuesWords(result)],
    ['span', `${label(span.from)} to ${label(span.to)}`],
    ['trend', usesTrend(result.method) ? trendWords(trend, calendar) : 'not used by the forecast'],
    [
      'forecast',
      `${countPeriods(forecast.horizon, calendar)} ${forecastWords(result.method, calendar)}`,
    ],
    ...(members.length > 0
      ? [
          [
            'methods combined',
            members.map(({ name }, i) => `(${i + 1}) ${name}`).join('; '),
          ] as const,
        ]
      : []),
    ['limits', `${levelWords(forecast.levels)} ${LIMITS_SAY[forecast.limits].text}`],
    ['by hand', bentWords(forecast.assumptions)],
  ])
}

/** What the analyst has done to the values: `as they came`. */
function valuesWords({ adjustments }: Result): string {
  const leftOut = adjustments.filter(({ value }) => value === null).length
  const replaced = adjustments.length - leftOut
  if (adjustments.length === 0) return 'as they came'
  return [
    ...(replaced > 0 ? [`${replaced} replaced`] : []),
    ...(leftOut > 0 ? [`${leftOut} left out`] : []),
  ].join(', ')
}

/** What is not the same in all methods, with the word of each; undefined where a method has no such choice. */
export function differencesOf(
  results: readonly Result[],
): { what: string; words: (string | undefined)[] }[] {
  const all = results.map(choicesOf)
  const names = [...new Set(all.flatMap((choices) => [...choices.keys()]))]
  return names
    .map((what) => ({ what, words: all.map((choices) => choices.get(what)) }))
    .filter(({ words }) => new Set(words).size > 1)
}
