import { membersOf } from '~~/core/picture/membersOf'
import { ledgerOf } from '~~/core/ledger/ledger'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import type { SmallLine } from '../figures/SmallPicture.vue'
import { boundsOf, comparableComponents } from '../pins/comparison'

/** Time codes of the first and the last period of a picture. */
export interface PictureAxis {
  readonly from: number
  readonly to: number
}

/** The same picture of every method, on one scale and one axis. */
export interface ComparedPicture {
  readonly title: string
  /** What its figures are: amounts of the series, or factors. */
  readonly measure: 'amount' | 'factor'
  readonly height: number
  readonly bounds: { readonly low: number; readonly high: number }
  readonly axis: PictureAxis
  /** For each method its lines, of a value for each period of the axis; none of a method that has no such thing. */
  readonly lines: readonly (readonly SmallLine[])[]
  /** Whether all methods draw the same. */
  readonly isSame: boolean
}

/** Years of actual values before a forecast. */
const YEARS_BEFORE = 2

/** One kind of picture: its lines of a result, each with the time code it begins at. */
interface Kind {
  readonly title: string
  readonly measure?: ComparedPicture['measure']
  readonly height: number
  readonly axis: PictureAxis
  readonly linesOf: (
    result: Result,
  ) => readonly (readonly [kind: SmallLine['kind'], from: number, values: readonly Value[]])[]
}

/** Components, fit and forecast of several results, each picture on one scale for all. */
export function comparedPictures(results: readonly Result[]): ComparedPicture[] {
  const kinds = kindsOf(results)
  return kinds.map(({ title, measure = 'amount', height, axis, linesOf }): ComparedPicture => {
    const lines = results.map((result) =>
      linesOf(result).map(([kind, from, values]) => ({ kind, values: laidOn(axis, from, values) })),
    )
    const bounds = boundsOf(lines.flatMap((own) => own.map(({ values }) => values)))
    const isSame = results.length > 1 && new Set(lines.map((own) => JSON.stringify(own))).size === 1
    return { title, measure, height, bounds, axis, lines, isSame }
  })
}

function kindsOf(results: readonly Result[]): readonly Kind[] {
  // Methods may look at other spans of the series: their periods stand under each other all the same.
  const actual = {
    from: Math.min(...results.map(firstOf)),
    to: Math.max(...results.map(lastOf)),
  }
  const [{ series }] = results as [Result]
  const ahead = {
    from: Math.max(actual.from, Math.min(...results.map(lastOf)) - yearsBefore(series.seasons) + 1),
    to: Math.max(...results.map(({ forecast }) => forecast.t.at(-1)!)),
  }
  return [
    {
      ...{ title: 'Trend-cycle', height: 84, axis: actual },
      linesOf: (result) => [
        sales(result),
        ['trendCycle', firstOf(result), result.columns.trendCycle],
      ],
    },
    {
      ...{ title: 'What the season adds', height: 70, axis: actual },
      linesOf: (result) => [['season', firstOf(result), comparableComponents(result).season]],
    },
    {
      ...{ title: 'What is left over', height: 56, axis: actual },
      linesOf: (result) => [['irregular', firstOf(result), comparableComponents(result).irregular]],
    },
    ...ownStates(results, actual),
    {
      ...{ title: 'Fit', height: 84, axis: actual },
      linesOf: (result) => [sales(result), ['fit', firstOf(result), result.columns.fitted]],
    },
    { ...{ title: 'Forecast and limits', height: 84, axis: ahead }, linesOf: forecastLines },
  ]
}

/** What a smoothing of the values or of the trend follows: a picture each of level, slope and season, of amounts and of factors apart. */
function ownStates(results: readonly Result[], axis: PictureAxis): Kind[] {
  return OWN_STATES.flatMap(({ names, title, kind }) =>
    (['amount', 'factor'] as const)
      .filter((measure) => results.some((result) => stateOf(result, names, measure)))
      .map((measure): Kind => ({
        ...{ title, measure, height: 70, axis },
        linesOf: (result) => {
          const values = stateOf(result, names, measure)
          return values ? [[kind, firstOf(result), values]] : []
        },
      })),
  )
}

/** A state over the periods analysed; null of a method that has none, or one of the other measure. */
function stateOf(
  result: Result,
  names: readonly string[],
  measure: ComparedPicture['measure'],
): readonly Value[] | null {
  const ledger = ledgerOf(result)
  const column = names.map((name) => ledger.find(name)).find((one) => one !== undefined)
  const isOfThis = column && (column.measure === 'factor') === (measure === 'factor')
  return isOfThis ? column.actual : null
}

const OWN_STATES = [
  {
    names: ['smoothedLevel', 'trendLevel'],
    title: 'Level that is followed',
    kind: 'trendCycle',
  },
  { names: ['slope', 'trendSlope'], title: 'Slope that is followed', kind: 'fit' },
  { names: ['seasonState'], title: 'Season that is followed', kind: 'season' },
] as const

const firstOf = ({ columns }: Result) => columns.t[0]!
const lastOf = ({ columns }: Result) => columns.t.at(-1)!
const sales = (result: Result) => ['sales', firstOf(result), result.columns.value] as const

/** Periods of actual values before a forecast; of a series with few seasons some more. */
function yearsBefore(seasons: number): number {
  return YEARS_BEFORE * Math.max(seasons, 4)
}

/** The forecast with its widest limits, and the actual values before it. */
function forecastLines(result: Result): ReturnType<Kind['linesOf']> {
  const { forecast, method } = result
  const from = forecast.t[0]!
  const widest = forecast.limits[Math.max(...method.forecast.levels)]
  return [
    sales(result),
    ...(widest
      ? [['limit', from, widest.lower] as const, ['limit', from, widest.upper] as const]
      : []),
    ...membersOf(result).map((member, i) => [memberKind(i), from, member.forecast] as const),
    ['forecast', from, forecast.forecast],
  ]
}

/** Members are told apart by the pattern of their lines; there are as many patterns as are read apart. */
const memberKind = (i: number) => (['member1', 'member2', 'member3'] as const)[i % 3]!

/** Values from a time code on, laid on an axis. */
function laidOn({ from, to }: PictureAxis, first: number, values: readonly Value[]): Value[] {
  return Array.from({ length: to - from + 1 }, (_, i) => values[from + i - first] ?? null)
}

/** What each kind of line is called where its figure is read; the sales by the noun of the series. */
const READ: Readonly<Record<Exclude<SmallLine['kind'], 'sales'>, string>> = {
  trendCycle: 'trend-cycle',
  season: 'season',
  irregular: 'left over',
  deseasonalized: 'deseasonalized',
  fit: 'fit',
  forecast: 'forecast',
  limit: 'limit',
  member1: '(1)',
  member2: '(2)',
  member3: '(3)',
}

/**
 * The figures of a method's lines at a period, in words.
 *
 * @param amount writes a figure
 * @param noun what the values are
 * @returns empty where there is none, and outside the axis
 * @example `sales 55.1, fit 54.6`
 */
export function readingAt(
  { axis }: ComparedPicture,
  lines: readonly SmallLine[],
  t: number,
  amount: (value: number) => string,
  noun: string,
): string {
  return lines
    .flatMap(({ kind, values }) => {
      const value = values[t - axis.from] ?? null
      return value === null ? [] : [`${kind === 'sales' ? noun : READ[kind]} ${amount(value)}`]
    })
    .join(', ')
}
