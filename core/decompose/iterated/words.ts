import type { Calendar } from '../../calendar/calendar'
import { onePeriod } from '../../calendar/labels'
import type { Choice, Piece } from '../../word'
import { figure } from '../../words/figure'
import { hendersonLengths } from './hendersonFilter'
import { CARRIERS, type Carrier } from '../carryOn'
import { CHOSEN, type IteratedOptions } from './options'
import { SEASONAL_FILTERS, type SeasonalFilterName } from './seasonalFilters'

/** Limits that are often wanted, in σ. */
const LIMITS = [
  [1.5, 2.5],
  [1.5, 3],
  [2, 3],
  [2.5, 3.5],
] as const

/** `, season chosen, trend chosen, extremes beyond 2.5 σ taken back` */
export function wordsOfIterated(options: IteratedOptions, calendar: Calendar): Piece[] {
  const { seasonalFilter, trendFilter, extremes } = options
  return [
    ', ',
    {
      id: 'seasonal-filter',
      text:
        seasonalFilter === CHOSEN ? 'season filter chosen' : `season ${filterName(seasonalFilter)}`,
      ask: { kind: 'pick', choices: seasonalChoices(options) },
    },
    ', ',
    {
      id: 'trend-filter',
      text: trendFilter === CHOSEN ? 'trend filter chosen' : `trend of ${trendFilter} terms`,
      ask: { kind: 'pick', choices: trendChoices(options, calendar) },
    },
    ', extremes ',
    {
      id: 'extremes',
      text: `beyond ${figure(extremes[1])} σ taken back`,
      ask: { kind: 'pick', choices: limitChoices(options) },
    },
    ', ',
    {
      id: 'extend',
      text: carriedWords(options.extend),
      ask: { kind: 'pick', choices: carryChoices(options) },
    },
    ', ',
    {
      id: 'yearly-sums',
      text: yearlyWords(options.yearlySums),
      ask: { kind: 'pick', choices: yearlyChoices(options) },
    },
  ]
}

const CARRIER_NAME: Readonly<Record<Carrier, string>> = { smoothing: 'smoothing', arima: 'ARIMA' }

/** What carries a series on, as it is called. */
export function carrierName(by: Carrier): string {
  return CARRIER_NAME[by]
}

function carriedWords(by: Carrier | false): string {
  return by === false ? 'not carried on' : `carried on a year by ${carrierName(by)}`
}

function carryChoices({ extend }: IteratedOptions): Choice[] {
  return ([false, ...CARRIERS] as const).map((by): Choice => ({
    text: carriedWords(by),
    means:
      by === false
        ? 'At the ends the averages are one-sided.'
        : 'The averages at the end see a year of forecast; it serves them, and decides nothing.',
    chosen: by === extend,
    change: { decompose: { extend: by || undefined } },
  }))
}

function yearlyWords(isKept: boolean): string {
  return isKept ? 'yearly sums kept' : 'yearly sums as they come'
}

function yearlyChoices({ yearlySums }: IteratedOptions): Choice[] {
  return [false, true].map((isKept): Choice => ({
    text: yearlyWords(isKept),
    means: isKept
      ? 'A row beside the deseasonalized one, with the sum of the original in every full calendar year.'
      : 'A year of deseasonalized values adds up to nearly what the year came to.',
    chosen: isKept === yearlySums,
    change: { decompose: { yearlySums: isKept ? true : undefined } },
  }))
}

/** `3×5`, `the same every year` */
export function filterName(name: SeasonalFilterName): string {
  return name === 'stable' ? 'the same every year' : name.replace('x', '×')
}

function seasonalChoices({ seasonalFilter }: IteratedOptions): Choice[] {
  return ([CHOSEN, ...SEASONAL_FILTERS] as const).map((name): Choice => ({
    text: name === CHOSEN ? 'chosen' : filterName(name),
    means:
      name === CHOSEN
        ? 'By how much chance moves the seasons from year to year, beside how much they move themselves.'
        : name === 'stable'
          ? 'The mean of all years.'
          : `An average of averages over ${yearsOf(name)} years; a shorter one where there are not as many.`,
    chosen: name === seasonalFilter,
    change: { decompose: { seasonalFilter: name === CHOSEN ? undefined : name } },
  }))
}

/** Years that 3 × k reaches over. */
function yearsOf(name: string): number {
  return Number(name.slice(2)) + 2
}

function trendChoices({ trendFilter }: IteratedOptions, calendar: Calendar): Choice[] {
  const per = onePeriod(calendar)
  return [CHOSEN, ...hendersonLengths(calendar.seasons)].map((length): Choice => ({
    text: length === CHOSEN ? 'chosen' : `of ${length} terms`,
    means:
      length === CHOSEN
        ? 'By how much chance moves the series beside its trend: the more, the longer.'
        : `Henderson’s average over ${length} ${per}s in every round.`,
    chosen: length === trendFilter,
    change: { decompose: { trendFilter: length === CHOSEN ? undefined : length } },
  }))
}

function limitChoices({ extremes }: IteratedOptions): Choice[] {
  return LIMITS.map(([lower, upper]): Choice => ({
    text: `beyond ${upper} σ taken back`,
    means: `Weight is lost from ${lower} σ of the year on, and all of it beyond ${upper}.`,
    chosen: extremes[0] === lower && extremes[1] === upper,
    change: {
      decompose: {
        extremes: lower === LIMITS[0][0] && upper === LIMITS[0][1] ? undefined : [lower, upper],
      },
    },
  }))
}
